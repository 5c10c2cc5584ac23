// Copies a field, or a text of its own, with one press and says so.
export function start() {
  for (const button of document.querySelectorAll("[data-copy]")) {
    const word = button.textContent;
    button.addEventListener("click", async () => {
      const field = button.dataset.copy ? document.querySelector(button.dataset.copy) : null;
      field?.select();
      try {
        await navigator.clipboard.writeText(field ? field.value : button.dataset.copyText);
        button.textContent = "Copied";
      } catch {
        button.textContent = field ? "Press Ctrl+C" : "Not allowed";
      }
      setTimeout(() => { button.textContent = word; }, 2500);
    });
  }
}
