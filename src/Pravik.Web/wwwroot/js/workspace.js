// The workspace of a bridge, a member or a truss scheme. Everything of the job is computed and rendered by the server; this keeps
// what is typed, dragged and chosen, sends it, and takes over the parts of the page that changed.
import Alpine from "../lib/alpine/alpine-csp.js";
import morph from "../lib/alpine/morph.js";
import { documentApi } from "./api.js";
import { listenToActions } from "./workspace/actions.js";
import { Band } from "./workspace/band.js";
import { Choices } from "./workspace/choices.js";
import { Drive } from "./workspace/drive.js";
import { Drawings } from "./workspace/drawings.js";
import { Entries } from "./workspace/entries.js";
import { findBox } from "./workspace/find.js";
import { listenToKeys } from "./workspace/keys.js";
import { Measure } from "./workspace/measure.js";
import { noticeBox } from "./workspace/notice.js";
import { Page } from "./workspace/page.js";
import { Saved } from "./workspace/saved.js";
import { Sketch } from "./workspace/sketch.js";
import { listenToPreviews } from "./workspace/preview.js";
import { Press } from "./workspace/press.js";
import { listenToRuns } from "./workspace/runs.js";

Alpine.plugin(morph);
const root = document.getElementById("work");
const { root: address } = root.dataset;
const work = { root, project: address.split("/").at(-1), api: documentApi(address) };
work.saved = new Saved(work);
work.press = new Press(root);
work.choices = new Choices(work);
work.page = new Page(work, Alpine.morph);
work.entries = new Entries(work);
work.band = new Band(work);
work.drawings = new Drawings(work);
work.measure = new Measure(work);
work.sketch = new Sketch(work);
work.drive = new Drive(work);

Alpine.data("find", () => findBox(work));
Alpine.data("measure", () => work.measure.panel());
Alpine.data("notice", () => noticeBox(work));
Alpine.start();

listenToActions(work);
listenToKeys(work);
listenToRuns(work);
listenToPreviews(work);
work.page.begin();
