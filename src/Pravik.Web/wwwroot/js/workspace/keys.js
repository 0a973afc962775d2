// Keys that work anywhere but in a field.

export function listenToKeys(work) {
  const { page, choices, drawings, measure } = work;
  const stationBy = (by) => {
    const length = page.axes.at(-1) - page.axes[0];
    work.band.moveTo(work.band.station + (by * length) / 200);
  };
  const axis = (by) => {
    const tiny = 1e-6;
    const at = work.band.station;
    const next = by > 0 ? page.axes.find((s) => s > at + tiny) : page.axes.findLast((s) => s < at - tiny);
    if (next !== undefined) work.band.moveTo(next);
  };
  const step = (by) => {
    const ids = [...document.querySelectorAll("#steps a")].map((a) => a.dataset.go);
    const next = ids[ids.indexOf(choices.step) + by];
    if (next) work.go(next);
  };
  const row = (by) => (event) => {
    const here = event.target.closest("tbody tr");
    const next = by > 0 ? here?.nextElementSibling : here?.previousElementSibling;
    if (!here) return false;
    next?.focus();
    return true;
  };
  const actions = {
    "/": () => document.getElementById("find")?.focus(),
    "?": () => work.toggle("help"),
    "!": () => work.toggle("findings"),
    h: () => work.toggle("history"),
    z: () => work.do("undo"),
    "Shift+z": () => work.do("redo"),
    "[": () => axis(-1),
    "]": () => axis(1),
    ",": () => stationBy(-1),
    ".": () => stationBy(1),
    m: () => measure.toggle(),
    Enter: (event) => drawings.closeOutline() || openRow(work, event),
    Backspace: () => drawings.outlineBack(),
    f: () => drawings.fit(),
    "+": () => drawings.zoom.by(1),
    "-": () => drawings.zoom.by(-1),
    n: () => step(1),
    b: () => step(-1),
    p: () => (document.getElementById("play")?.dataset.do === "drive" ? work.drive.toggle() : work.play()),
    ArrowDown: row(1),
    ArrowUp: row(-1),
  };
  document.addEventListener("keydown", (event) => {
    if (event.key === "Escape") {
      if (measure.isOn) measure.toggle();
      drawings.stopDrawing();
      work.find?.close();
      if (choices.get("drawer")) work.choose({ drawer: null });
    }
    if (event.target.closest("input, select, textarea") || event.ctrlKey || event.metaKey || event.altKey)
      return;
    const key = event.key === "Z" ? "Shift+z" : event.key;
    const layout = /^[1-9]$/.test(key)
      ? document.querySelectorAll("#layouts [data-layout]")[Number(key) - 1]
      : null;
    const action = actions[key] ?? (layout ? () => layout.click() : null);
    // An action that has nothing to do leaves the key to what has the focus.
    if (!action || action(event) === false) return;
    event.preventDefault();
  });
}

function openRow(work, event) {
  const row = event.target.closest("tr[data-pick]");
  if (!row || event.target.closest("button, a")) return false;
  row.click();
  return true;
}
