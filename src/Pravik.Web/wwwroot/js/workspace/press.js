// While a row or a button is pressed it stays where it is, so that the click reaches what was pressed.

/** What is drawn anew while it is held: dragged, slid and typed things. */
const HELD = "#views, #band, input, select, textarea";

export class Press {
  constructor(root) {
    this.waiting = [];
    this.isDown = false;
    root.addEventListener(
      "pointerdown",
      (e) => (this.isDown = e.button === 0 && !e.target.closest(HELD)),
      true,
    );
    // The click comes right after the pointer is let go.
    const end = () => setTimeout(() => this.end());
    for (const type of ["pointerup", "pointercancel", "contextmenu"])
      window.addEventListener(type, end, true);
    window.addEventListener("blur", end);
  }

  end() {
    this.isDown = false;
    for (const go of this.waiting.splice(0)) go();
  }

  /** Resolves once nothing is pressed. */
  released() {
    return this.isDown ? new Promise((go) => this.waiting.push(go)) : Promise.resolve();
  }
}
