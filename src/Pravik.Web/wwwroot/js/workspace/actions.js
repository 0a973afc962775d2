// What buttons, links, rows and drawings do when they are clicked. They say it in data attributes; parts come and go, so the page listens.
import { copyText } from "../copy.js";

export function listenToActions(work) {
  const { api, choices, entries, page } = work;
  const dos = {
    undo: () => entries.edit(() => api.undo()),
    redo: () => entries.edit(() => api.redo()),
    start: () => api.run(choices.now),
    stop: () => api.stop(),
    units: () => switchUnits(work),
    measure: () => work.measure.toggle(),
    outline: () => work.drawings.toggleDraw(false),
    void: () => work.drawings.toggleDraw(true),
    play: () => work.play(),
    drive: () => work.drive.toggle(),
    ahead: () => work.drive.step(1),
    back: () => work.drive.step(-1),
    copy: (button) => copyTable(work, button),
    namepoint: () => namePoint(work),
    looked: () => lookAt(work, [choices.step]),
  };

  work.do = (name, source) => dos[name](source);
  work.pick = (part, event) => pick(work, part, event);
  work.choose = (values) => {
    choices.set(values);
    return page.refresh();
  };
  work.go = (step, values = {}, focus = null) => {
    work.drawings.stopDrawing();
    if (focus) page.focus = focus;
    choices.go(step, values);
    return page.refresh();
  };
  work.toggle = (name) => {
    page.opened = choices.get("drawer") !== name;
    return work.choose({ drawer: page.opened ? name : null });
  };

  let player = null;
  work.play = () => {
    const button = document.getElementById("play");
    const stop = () => {
      clearInterval(player);
      player = null;
      const shown = document.getElementById("play");
      if (shown) shown.textContent = "Play";
    };
    if (player || !button) return stop();
    const next = (first) => {
      const stage = document.querySelector('#controls select[name="stage"]');
      if (!stage) return stop();
      const isLast = stage.selectedIndex + 1 >= stage.options.length;
      if (isLast && !first) return stop();
      work.choose({ stage: stage.options[isLast ? 0 : stage.selectedIndex + 1].value, pick: null });
    };
    button.textContent = "Stop";
    player = setInterval(next, 1400);
    next(true);
  };

  const handlers = [
    ["[data-do]", (e) => dos[e.dataset.do](e)],
    ["[data-drawer]", (e) => work.toggle(e.dataset.drawer)],
    [
      "[data-go]",
      (e) => {
        const { go, at, station } = e.dataset;
        const isResult = at?.startsWith("/parts/results/");
        const values = { ...(station ? { station } : {}), ...(isResult ? { pick: at } : {}) };
        // Results of the slab across have a layout of their own.
        const ofSlab = isResult && at.startsWith("/parts/results/slab/");
        if (ofSlab || (isResult && choices.get("layout") === "slab")) values.layout = ofSlab ? "slab" : null;
        if (at) values.drawer = null;
        work.go(go, values, isResult ? null : at);
      },
    ],
    ["[data-layout]", (e) => (work.drawings.stopDrawing(), work.choose({ layout: e.dataset.layout }))],
    ["[data-sort]", (e) => work.choose({ sort: e.dataset.sort })],
    ["[data-more]", (e) => work.choose({ rows: e.dataset.more })],
    ["[data-give]", (e) => entries.put({ path: e.dataset.give, text: "", base: page.revision })],
    ["[data-act]", (e) => act(work, JSON.parse(e.dataset.act))],
    ["[data-repair]", (e) => act(work, JSON.parse(e.dataset.repair))],
    ["[data-variantat]", (e) => beginVariant(work, Number(e.dataset.variantat))],
    ["[data-variant]", (e) => entries.edit(() => api.showVariant(e.dataset.variant))],
    ["[data-closevariant]", (e) => entries.edit(() => api.closeVariant(e.dataset.closevariant))],
    ["button[data-revision]", (e) => entries.edit(() => api.goTo(e.dataset.revision))],
    ["[data-pick]", (e, event) => pickRow(work, e, event)],
    ["#views [data-part]", (e, event) => work.pick(partAt(event, choices.step) ?? e.dataset.part, event)],
  ];

  work.root.addEventListener("click", (event) => {
    if (work.measure.take(event)) return;
    for (const [selector, handle] of handlers) {
      const element = event.target.closest(selector);
      if (!element || element.id === "work") continue;
      // A link to be opened beside is left to the browser.
      if (element.href && (event.ctrlKey || event.metaKey || event.shiftKey)) return;
      event.preventDefault();
      handle(element, event);
      return;
    }
    const file = event.target.closest("[data-withquery]");
    if (file) file.search = choices.now.toString();
  });

  watchLooks(work);

  let typing;
  work.root.addEventListener("input", ({ target }) => {
    const { slide, choice } = target.dataset;
    clearTimeout(typing);
    if (slide)
      typing = setTimeout(() => work.choose({ [slide]: Math.round(2 ** target.value * 100) / 100 }), 40);
    else if (choice === "filter") typing = setTimeout(() => work.choose({ filter: target.value }), 150);
  });
  work.root.addEventListener("change", ({ target }) => {
    if (target.id === "authorname") keepAuthor(target);
    const { choice, upload } = target.dataset;
    if (upload && target.files[0]) giveFile(work, target);
    if (!choice) return;
    if (target.matches("input")) target.defaultValue = target.value;
    work.choose({ [choice]: target.value, ...(choice === "stage" ? { pick: null } : {}) });
  });
  // More rows come as they are scrolled to.
  document.getElementById("sheet").addEventListener(
    "scroll",
    ({ target }) => {
      const more = target.querySelector?.("[data-more]");
      if (more && more.getBoundingClientRect().top < target.getBoundingClientRect().bottom + 300)
        work.choose({ rows: more.dataset.more });
    },
    true,
  );
}

/** Gives a file to the document; the field is empty again, so that the same file can be given once more. */
function giveFile(work, field) {
  const [file] = field.files;
  const { upload } = field.dataset;
  work.entries.edit((revision) => work.api.upload(upload, revision, file)).finally(() => (field.value = ""));
}

/** What each step is about: of parts that lie over each other it wins. */
const ABOUT = {
  axes: ["/parts/axes/"],
  deck: ["/deck/", "/parapets/", "/parts/units/"],
  girders: ["/parts/girders/", "/parts/diaphragms/", "/girders/"],
  substructure: ["/parts/supports/"],
};

function partAt(event, step) {
  const under = document.elementsFromPoint(event.clientX, event.clientY);
  const parts = under.map((e) => e.closest("#views [data-part]")?.dataset.part).filter(Boolean);
  return parts.find((p) => (ABOUT[step] ?? []).some((start) => p.startsWith(start))) ?? parts[0];
}

/** A part picked on a drawing or in a table: the step that is about it opens it. With Shift or Ctrl girders are picked together. */
function pick(work, part, event) {
  const { choices } = work;
  if (!part || work.measure.isOn) return;
  work.drawings.stopDrawing();
  const isGirder = part.startsWith("/parts/girders/");
  const isTruss = part.startsWith("/bars/") || part.startsWith("/parts/joints/");
  if (event && (event.shiftKey || event.ctrlKey || event.metaKey) && isTruss) {
    const picked = (choices.get("pick") ?? "").split("+").filter(Boolean);
    const others = picked.filter((p) => p !== part);
    return work.choose({
      pick: (others.length < picked.length ? others : [...picked, part]).join("+") || null,
    });
  }
  if (event && (event.shiftKey || event.ctrlKey || event.metaKey) && choices.step === "girders" && isGirder) {
    const girders = (choices.get("pick") ?? "").split("+").filter((p) => p.startsWith("/parts/girders/"));
    const others = girders.filter((p) => p !== part);
    return work.choose({ pick: (others.length < girders.length ? others : [...girders, part]).join("+") });
  }
  if (part.startsWith("/parts/results/")) return openResult(work, part);
  if (isGirder && choices.step !== "girders") return work.go("girders", { pick: part });
  if (["/deck/", "/parapets/", "/parts/units/"].some((start) => part.startsWith(start))) {
    work.page.focusPicked = true;
    return choices.step === "deck" ? work.choose({ pick: part }) : work.go("deck", { pick: part });
  }
  return work.choose({ pick: part });
}

/** A result is opened among the checks; on the analysis step its station is gone to. */
export function openResult(work, part, station = null) {
  const at = station ?? document.querySelector(`tr[data-pick^="${CSS.escape(part)}"]`)?.dataset.station;
  const values = { pick: part, ...(at ? { station: at } : {}) };
  if (work.choices.step === "analysis" || work.choices.step === "checks")
    return work.choose(
      work.choices.step === "analysis" ? { ...values, pick: work.choices.get("pick") } : values,
    );
  return work.go("checks", values);
}

function pickRow(work, row, event) {
  const { pick: part, station } = row.dataset;
  if (!part) return;
  if (part.startsWith("/parts/results/")) openResult(work, part, station);
  else pick(work, part, event);
}

async function act(work, action) {
  const { api, entries } = work;
  if (action.goes) return work.go(action.goes);
  if (action.saves) {
    const answer = await api.keep(action.saves);
    return work.notice.told(answer);
  }
  if (action.asksNeighbour) {
    const answer = await api.addNeighbour(
      `${document.querySelector(".bridge").textContent}, next on the road`,
    );
    if (answer.ok) window.location.assign(`/bridges/${answer.data.id}/axes`);
    else work.notice.told(answer);
    return null;
  }
  const { enters } = action;
  if (enters) return entries.edit((revision) => api.enter(revision, enters.path, enters.text));
  return entries.edit((revision) => api.patch(revision, action.patch, action.label));
}

async function namePoint(work) {
  const field = document.getElementById("pointname");
  const answer = await work.api.name(work.page.revision, field.value);
  if (answer.ok) field.value = "";
  work.page.refresh();
}

/** The name that is written beside edits, kept in this browser. */
function keepAuthor(field) {
  const name = encodeURIComponent(field.value.trim());
  document.cookie = `pravik-name=${name}; path=/; max-age=${name ? 31536000 : 0}; samesite=lax`;
  field.defaultValue = field.value;
}

async function beginVariant(work, revision) {
  const field = document.getElementById("pointname");
  const answer = await work.entries.edit(() => work.api.beginVariant(revision, field.value));
  if (answer.ok) field.value = "";
}

/** Says that values were looked at, so that they are assumed no more. */
async function lookAt(work, what) {
  await work.api.looked(what);
  work.page.refresh();
}

/** Values whose fields had the focus were looked at; they are told together once the focus rests. */
function watchLooks(work) {
  const seen = new Set();
  let resting;
  document.addEventListener("focusout", ({ target }) => {
    if (!target.dataset?.path || !target.closest(".assumed")) return;
    seen.add(target.dataset.path);
    clearTimeout(resting);
    resting = setTimeout(() => {
      lookAt(work, [...seen]);
      seen.clear();
    }, 700);
  });
}

function switchUnits(work) {
  const name = document.querySelector('[data-do="units"]').textContent.startsWith("m") ? "us" : "metric";
  document.cookie = `pravik-units=${name}; path=/; max-age=31536000; samesite=lax`;
  work.entries.forget();
  work.page.refresh();
}

/** All rows of the table, those too that are not shown yet. */
async function copyTable(work, button) {
  const text = await work.api.tableText(work.choices.step, work.choices.now);
  button.textContent = text === null ? "Not read" : await copyText(text);
  setTimeout(() => (button.textContent = "Copy"), 1500);
}
