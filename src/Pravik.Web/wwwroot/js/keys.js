// Keys that work anywhere but in a field.

export function listenToKeys(actions) {
  document.addEventListener("keydown", (event) => {
    if (event.key === "Escape") actions.escape();
    if (event.target.closest("input, select, textarea") || event.ctrlKey || event.metaKey || event.altKey)
      return;
    const key = event.key === "Z" ? "Shift+z" : event.key;
    const action = actions[key] ?? (/^[1-9]$/.test(key) ? () => actions.digit(Number(key)) : null);
    // An action that has nothing to do leaves the key to what has the focus.
    if (!action || action() === false) return;
    event.preventDefault();
  });
}
