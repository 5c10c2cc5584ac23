// Reads tickets with the camera.
const AGAIN_AFTER = 3000;

function decoder() {
  return new Promise((resolve, reject) => {
    if (window.jsQR) {
      resolve(window.jsQR);
      return;
    }
    const script = document.createElement("script");
    script.src = new URL("./vendor/jsqr.js", import.meta.url);
    script.onload = () => resolve(window.jsQR);
    script.onerror = reject;
    document.head.append(script);
  });
}

export function scanner(box, found, failed) {
  const open = box.querySelector("[data-scan]");
  const camera = box.querySelector("[data-camera]");
  const video = camera.querySelector("video");
  const canvas = document.createElement("canvas");
  let stream;
  let last = { text: "", at: 0 };
  if (!navigator.mediaDevices?.getUserMedia) return;
  open.hidden = false;

  function end() {
    stream?.getTracks().forEach((track) => track.stop());
    stream = undefined;
    camera.hidden = true;
  }

  function look(read) {
    if (!stream) return;
    if (video.readyState === video.HAVE_ENOUGH_DATA) {
      canvas.width = video.videoWidth;
      canvas.height = video.videoHeight;
      const pen = canvas.getContext("2d", { willReadFrequently: true });
      pen.drawImage(video, 0, 0);
      const code = read(pen.getImageData(0, 0, canvas.width, canvas.height).data, canvas.width, canvas.height);
      const fresh = code && code.data && (code.data !== last.text || performance.now() - last.at > AGAIN_AFTER);
      if (fresh) {
        last = { text: code.data, at: performance.now() };
        found(code.data);
      }
    }
    setTimeout(() => look(read), 150);
  }

  open.addEventListener("click", async () => {
    try {
      const read = await decoder();
      stream = await navigator.mediaDevices.getUserMedia({ video: { facingMode: "environment" } });
      video.srcObject = stream;
      camera.hidden = false;
      await video.play();
      look(read);
    } catch {
      end();
      failed();
    }
  });
  camera.querySelector("[data-scan-end]").addEventListener("click", end);
}
