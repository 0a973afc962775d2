// Tables as text for a spreadsheet, and the buttons that copy them: data-copies names the table.

/** Copies a text; whether that was allowed, in words. */
export async function copyText(text) {
  try {
    await navigator.clipboard.writeText(text);
    return "Copied";
  } catch {
    return "Not allowed";
  }
}

const asText = (rows) =>
  rows.map((cells) => cells.map((cell) => cell.replaceAll("−", "-")).join("\t")).join("\n");

for (const button of document.querySelectorAll("[data-copies]")) {
  const words = button.textContent;
  button.addEventListener("click", async () => {
    const rows = [...document.querySelectorAll(`${button.dataset.copies} tr`)];
    button.textContent = await copyText(
      asText(rows.map((row) => [...row.cells].map((cell) => cell.textContent))),
    );
    setTimeout(() => (button.textContent = words), 1500);
  });
}
