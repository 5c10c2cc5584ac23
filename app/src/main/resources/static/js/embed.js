// Shows an offering on another site, as a block or as a button:
// <script async src="…/embed.js" data-offering="knots" data-as="block"></script>
{
  const script = document.currentScript;
  const home = new URL(script.src).origin;
  const offering = encodeURIComponent(script.dataset.offering);

  const button = () => {
    const link = document.createElement("a");
    link.href = `${home}/p/${offering}`;
    link.target = "_blank";
    link.rel = "noopener";
    link.textContent = script.dataset.label || "Register";
    link.style.cssText = "display:inline-block;padding:.55em 1em;background:#a01a63;color:#fff;font:600 1rem sans-serif;text-decoration:none";
    return link;
  };

  const block = () => {
    const frame = document.createElement("iframe");
    frame.src = `${home}/embed/${offering}`;
    frame.title = script.dataset.label || "Sessions to register for";
    frame.loading = "lazy";
    frame.style.cssText = "width:100%;max-width:42rem;height:22rem;border:0;display:block";
    window.addEventListener("message", (event) => {
      if (event.origin === home && event.source === frame.contentWindow && Number.isFinite(event.data?.height)) {
        frame.style.height = `${Math.min(4000, Math.ceil(event.data.height))}px`;
      }
    });
    return frame;
  };

  script.after(script.dataset.as === "button" ? button() : block());
}
