// Outlines of sections, drawn corner by corner.
import { OutlineDrawing } from "../outline.js";
import { held } from "./held.js";

export const outlines = {
  // Outlines of sections, drawn corner by corner.
  shapeFigure: () => document.querySelector('figure[data-view="shape"]'),
  inUnit(metres) {
    const value = metres * this.plane.unit;
    return `${Number(value.toFixed(this.plane.symbol === "mm" ? 0 : 2))} ${this.plane.symbol}`;
  },

  toggleDraw(isVoid) {
    if (this.drawing) return this.stopDrawing();
    this.drawWords =
      "Click the corners one after the other; the first again, or Enter, closes the outline. Backspace takes the last back.";
    const told = (count, at) => {
      if (at) this.drawWords = `Corner ${count + 1}: across ${this.inUnit(at.x)}, up ${this.inUnit(at.y)}`;
    };
    this.drawing = isVoid ? "void" : "outline";
    held.outline = new OutlineDrawing(this.shapeFigure(), this.plane, told, (corners) =>
      this.drawn(corners, isVoid),
    );
  },

  stopDrawing() {
    held.outline?.cancel();
    held.outline = null;
    this.drawing = null;
    this.drawWords = "";
  },

  drawn(corners, isVoid) {
    this.stopDrawing();
    if (corners.length < 3) return (this.notice = "An outline has at least three corners.");
    const { path, newName, newPath } = this.plane;
    this.choice.pick = path ?? newPath;
    const value = { corners, isVoid };
    const [operation, label] = path
      ? [{ op: "add", path: `${path}/outlines/-`, value }, isVoid ? "Void drawn" : "Outline drawn"]
      : [
          { op: "add", path: "/sections/-", value: { name: newName, family: "own", outlines: [value] } },
          `Section “${newName}” drawn`,
        ];
    return this.afterEdit(this.api.patch(this.revision, [operation], label));
  },

  moveCorner(path, to) {
    const operations = [
      { op: "replace", path: `${path}/x`, value: to.x },
      { op: "replace", path: `${path}/y`, value: to.y },
    ];
    return this.afterEdit(this.api.patch(this.revision, operations, "Corner moved"));
  },
};
