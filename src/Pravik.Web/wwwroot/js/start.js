// The start page and the page for a new bridge: choices that take effect at once, times as on the reader's clock, one menu at a time.
import { showTimes } from "./times.js";

showTimes();
const search = document.getElementById("search");
search?.querySelector("select").addEventListener("change", () => search.submit());

for (const menu of document.querySelectorAll("details.menu"))
  menu.addEventListener("toggle", () => {
    if (menu.open)
      for (const other of document.querySelectorAll("details.menu[open]"))
        if (other !== menu) other.open = false;
  });
document.addEventListener("click", (event) => {
  for (const open of document.querySelectorAll("details.menu[open]"))
    if (!open.contains(event.target)) open.open = false;
});
document.addEventListener("keydown", (event) => {
  if (event.key === "Escape")
    for (const open of document.querySelectorAll("details.menu[open]")) open.open = false;
  if (event.target.closest("input, select")) return;
  if (event.key === "/") {
    event.preventDefault();
    search?.querySelector("input[type=search]").focus();
  } else if (event.key === "z") document.getElementById("undo")?.click();
});

// While bridges are analysed for the list, their states are looked for again.
const LOOK = 2500;
async function lookAgain() {
  const list = document.querySelector('.bridges[data-waits="true"]');
  if (!list) return;
  const answer = await fetch(location.href).catch(() => null);
  if (answer?.ok) {
    const page = new DOMParser().parseFromString(await answer.text(), "text/html");
    list.dataset.waits = page.querySelector(".bridges").dataset.waits;
    for (const row of page.querySelectorAll(".bridgerow"))
      document
        .querySelector(`.bridgerow[data-id="${CSS.escape(row.dataset.id)}"] .verdictcell`)
        ?.replaceWith(row.querySelector(".verdictcell"));
  }
  setTimeout(lookAgain, LOOK);
}
setTimeout(lookAgain, LOOK);

// The bridge to copy is chosen beside its mark.
const copied = document.getElementById("copied");
const mark = document.getElementById("copyof");
const choose = () => {
  mark.value = copied.value;
  mark.checked = true;
};
copied?.addEventListener("change", choose);
