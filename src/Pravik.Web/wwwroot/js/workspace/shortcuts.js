// Keys.
import { listenToKeys } from "../keys.js";
import { held } from "./held.js";

export const shortcuts = {
  listenKeys() {
    const field = () => document.getElementById("find");
    listenToKeys({
      escape: () => {
        if (this.measuring) this.toggleMeasure();
        if (this.drawing) this.stopDrawing();
        this.drawer = "";
        this.closeFind();
      },
      digit: (n) => this.layouts[n - 1] && this.layout(this.layouts[n - 1].id),
      "/": () => field().focus(),
      "?": () => this.toggle("keys"),
      "!": () => this.toggle("findings"),
      h: () => this.toggle("history"),
      z: () => this.undo(),
      "Shift+z": () => this.redo(),
      "[": () => this.axis(-1),
      "]": () => this.axis(1),
      ",": () => this.nudge(-1),
      ".": () => this.nudge(1),
      m: () => this.toggleMeasure(),
      Enter: () => (held.outline ? held.outline.close() : false),
      Backspace: () => (held.outline ? held.outline.back() : false),
      f: () => held.model?.look(0),
      n: () => this.neighbourStep(1),
      b: () => this.neighbourStep(-1),
      p: () => this.canPlay && this.play(),
    });
  },
};
