// Buttons that copy a table as text for a spreadsheet: data-copies names the table.
for (const button of document.querySelectorAll("[data-copies]")) {
  const words = button.textContent;
  button.addEventListener("click", async () => {
    const rows = [...document.querySelectorAll(`${button.dataset.copies} tr`)];
    const text = rows.map((row) =>
      [...row.cells].map((cell) => cell.textContent.replaceAll("−", "-")).join("\t"),
    );
    try {
      await navigator.clipboard.writeText(text.join("\n"));
      button.textContent = "Copied";
    } catch {
      button.textContent = "Not allowed";
    }
    setTimeout(() => (button.textContent = words), 1500);
  });
}
