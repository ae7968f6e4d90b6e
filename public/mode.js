(function () {
  var mode = null;
  try { mode = localStorage.getItem("oat-column-mode"); } catch { /* no storage: follow the system */ }
  if (mode !== "dark" && mode !== "light") mode = matchMedia("(prefers-color-scheme: dark)").matches ? "dark" : "light";
  document.documentElement.dataset.mode = mode;
  // On a full disk something has to give before the browser opens what it keeps; what does so is on its way while the page is read.
  window.oatColumnReady = new Promise(function (ready) {
    try {
      var worker = new Worker("/reserve.js");
      worker.onmessage = worker.onerror = function () { worker.terminate(); ready(); };
    } catch { ready(); }
    setTimeout(ready, 1500);
  });
})();
