// Tables as text for a spreadsheet, and the buttons that copy them: data-copies names the table.

/** Copies rows of cells; whether that was allowed, in words. */
export async function copyRows(rows) {
  const text = rows.map((cells) => cells.map((cell) => cell.replaceAll("−", "-")).join("\t")).join("\n");
  try {
    await navigator.clipboard.writeText(text);
    return "Copied";
  } catch {
    return "Not allowed";
  }
}

for (const button of document.querySelectorAll("[data-copies]")) {
  const words = button.textContent;
  button.addEventListener("click", async () => {
    const rows = [...document.querySelectorAll(`${button.dataset.copies} tr`)];
    button.textContent = await copyRows(rows.map((row) => [...row.cells].map((cell) => cell.textContent)));
    setTimeout(() => (button.textContent = words), 1500);
  });
}
