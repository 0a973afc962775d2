// Tables: sorting, filtering, copying.
import { copyRows } from "../copy.js";

export const tables = {
  get tableTitle() {
    return this.table.title;
  },

  get tableColumns() {
    return this.table.columns;
  },

  get tableRows() {
    const wanted = this.filterText.trim().toLowerCase();
    const rows = this.table.rows
      .map((r, i) => ({ ...r, key: `${r.pick ?? ""}#${i}` }))
      .filter((r) => !wanted || r.cells.some((c) => c.toLowerCase().includes(wanted)));
    if (!this.sort) return rows;
    const { column, by } = this.sort;
    const value = (r) => r.sort[column] ?? r.cells[column];
    return rows.sort((a, b) => (value(a) < value(b) ? -by : value(a) > value(b) ? by : 0));
  },

  sortBy(column) {
    const by = this.sort?.column === column ? -this.sort.by : this.tableColumns[column].isNumber ? -1 : 1;
    this.sort = { column, by };
  },

  sortState(column) {
    return this.sort?.column !== column ? "none" : this.sort.by > 0 ? "ascending" : "descending";
  },

  nextRow(event, by) {
    const row = event.target.closest("tr");
    const next = by > 0 ? row.nextElementSibling : row.previousElementSibling;
    if (next?.tagName === "TR") next.focus();
  },

  async copyTable() {
    this.copyWords = await copyRows([
      this.tableColumns.map((c) => c.name),
      ...this.tableRows.map((r) => r.cells),
    ]);
    setTimeout(() => (this.copyWords = "Copy"), 1500);
  },

  isUse(i) {
    return this.tableColumns[i]?.name === "Utilisation";
  },

  useClass: (r) => (r.use > 1 ? "f" : r.use > 0.95 ? "w" : ""),
  useBar: (r) => `width:${Math.min(100, (r.use ?? 0) * 80)}%`,
};
