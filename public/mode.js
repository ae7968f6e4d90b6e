(function () {
  var mode = null;
  try { mode = localStorage.getItem("oat-column-mode"); } catch { /* no storage: follow the system */ }
  if (mode !== "dark" && mode !== "light") mode = matchMedia("(prefers-color-scheme: dark)").matches ? "dark" : "light";
  document.documentElement.dataset.mode = mode;
})();
