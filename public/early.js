/* Before the first drawing: the mode, so that a dark page never flashes light; and the browser's database, which takes as long to open as the rest of the page takes to arrive. */
(function () {
  var mode = null;
  try { mode = localStorage.getItem("oat-column-mode"); } catch { /* no storage: follow the system */ }
  if (mode !== "dark" && mode !== "light") mode = matchMedia("(prefers-color-scheme: dark)").matches ? "dark" : "light";
  document.documentElement.dataset.mode = mode;
  try {
    var log = new URLSearchParams(location.search).get("log") || sessionStorage.getItem("oat-column-log") || "own";
    var opening = indexedDB.open("oat-column-" + log);
    // It is only woken here, never made.
    opening.onupgradeneeded = function () { opening.transaction.abort(); };
    opening.onerror = function (event) { event.preventDefault(); };
    opening.onsuccess = function () { opening.result.close(); };
  } catch { /* no storage: said by the page */ }
})();
