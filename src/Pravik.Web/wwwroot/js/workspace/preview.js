// What a button or a repair would do is drawn while it is pointed at for a moment, and given back when it is left.

/** How long is pointed before it is drawn (ms), and the longest patch that goes into an address. */
const REST = 400;
const LONGEST = 4000;

export function listenToPreviews({ root, page, saved }) {
  let resting = null;
  let shown = null;
  const end = () => {
    clearTimeout(resting);
    if (!shown) return;
    shown = null;
    page.trial = null;
    saved.tries("");
    page.refresh();
  };
  const begin = ({ target }) => {
    const button = target.closest?.("[data-repair], .actions [data-act]");
    if (button === shown) return;
    end();
    if (!button) return;
    const { patch } = JSON.parse(button.dataset.repair ?? button.dataset.act);
    const text = JSON.stringify(patch ?? []);
    if (!patch?.length || text.length > LONGEST) return;
    resting = setTimeout(() => {
      shown = button;
      page.trial = { patch: text };
      saved.tries(`preview: ${button.textContent.trim()}`);
      page.refresh();
    }, REST);
  };
  root.addEventListener("pointerover", begin);
  root.addEventListener("focusin", (event) => {
    if (event.target.closest("[data-repair]")) begin(event);
  });
  root.addEventListener("focusout", end);
  root.addEventListener("pointerleave", end);
  root.addEventListener("click", end, true);
}
