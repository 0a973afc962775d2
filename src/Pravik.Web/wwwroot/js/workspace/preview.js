// What a button or a repair would do is drawn while it is pointed at for a moment, and given back when it is left.

/** How long is pointed before it is drawn (ms), and the longest patch that goes into an address. */
const REST = 400;
const LONGEST = 4000;

export function listenToPreviews(work) {
  const { root, page, saved } = work;
  let resting = null;
  let shown = null;
  // Where the pointer was last: a button that comes to lie under a pointer at rest was not pointed at.
  let was = {};
  const end = () => {
    clearTimeout(resting);
    if (!shown) return;
    shown = null;
    page.trial = null;
    saved.tries("");
    page.refresh();
  };
  const begin = ({ target, clientX, clientY }) => {
    const isAtRest = clientX !== undefined && clientX === was.clientX && clientY === was.clientY;
    was = { clientX, clientY };
    const button = target.closest?.("[data-repair], .actions [data-act]");
    if (button === shown || (isAtRest && !shown)) return;
    end();
    if (!button || isAtRest) return;
    const { patch, enters } = JSON.parse(button.dataset.repair ?? button.dataset.act);
    const text = JSON.stringify(patch ?? []);
    if (!enters && (!patch?.length || text.length > LONGEST)) return;
    const show = () => {
      // What is being saved is shown first.
      if (saved.isSaving) {
        resting = setTimeout(show, REST);
        return;
      }
      shown = button;
      page.trial = { preview: 1, ...(enters ? { entry: enters.path, text: enters.text } : { patch: text }) };
      saved.tries(`preview: ${button.textContent.trim()}`);
      page.refresh();
    };
    resting = setTimeout(show, REST);
  };
  work.endPreview = end;
  root.addEventListener("pointerover", begin);
  root.addEventListener("focusin", (event) => {
    if (event.target.closest("[data-repair]")) begin(event);
  });
  root.addEventListener("focusout", end);
  root.addEventListener("pointerleave", end);
  root.addEventListener("click", (event) => (end(), (was = event)), true);
}
