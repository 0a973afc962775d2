// Calls of the application's interface. Every answer is { ok, status, data }; a lost connection is an answer too.

async function call(path, options) {
  try {
    const response = await fetch(path, options);
    const text = await response.text();
    let data = null;
    try {
      data = text ? JSON.parse(text) : null;
    } catch {
      data = null;
    }
    return { ok: response.ok, status: response.status, data };
  } catch {
    return { ok: false, status: 0, data: null };
  }
}

const json = (method, body, type = "application/json") => ({
  method,
  headers: { "Content-Type": type },
  body: JSON.stringify(body),
});

/** Calls for a document whose pages begin with an address: /bridges/…, /members/… or /trusses/…. */
export function documentApi(pages) {
  const base = `/api${pages}`;
  return {
    base,
    page: (step, query, headers) => call(`${pages}/${step}?${query}`, { headers, cache: "no-store" }),
    runState: (step) => call(`${pages}/${step}?handler=Run`),
    /** The table of the screen as text, columns parted by tabs; null where it cannot be read. */
    async tableText(step, query) {
      const asked = new URLSearchParams(query);
      asked.set("step", step);
      const answer = await fetch(`${base}/table.txt?${asked}`).catch(() => null);
      return answer?.ok ? answer.text() : null;
    },
    enter: (revision, path, text) => call(`${base}/entries`, json("POST", { revision, path, text })),
    patch: (revision, operations, label) =>
      call(
        `${base}?${new URLSearchParams({ revision, label })}`,
        json("PATCH", operations, "application/json-patch+json"),
      ),
    measure: (a, b) => call(`${base}/measure?${new URLSearchParams({ a, b })}`),
    undo: () => call(`${base}/undo`, { method: "POST" }),
    redo: () => call(`${base}/redo`, { method: "POST" }),
    goTo: (revision) => call(`${base}/revisions/${revision}`, { method: "POST" }),
    name: (revision, name) => call(`${base}/revisions/${revision}/name`, json("PUT", { name })),
    beginVariant: (revision, name) => call(`${base}/variants`, json("POST", { revision, name })),
    showVariant: (number) => call(`${base}/variants/${number}`, { method: "POST" }),
    closeVariant: (number) => call(`${base}/variants/${number}`, { method: "DELETE" }),
    looked: (what) => call(`${base}/looked`, json("POST", what)),
    find: (text) => call(`${base}/find?${new URLSearchParams({ text })}`),
    addNeighbour: (name) => call(`${base}/neighbours`, json("POST", { name })),
    keep: (path) => call(`${base}/library`, json("POST", { path })),
    run: (query) => call(`${base}/run?${query}`, { method: "POST" }),
    draw: (what) => call(`${base}/draw`, json("POST", what)),
    upload: (to, revision, file) =>
      call(`${base}/${to}?${new URLSearchParams({ revision, name: file.name })}`, {
        method: "POST",
        headers: { "Content-Type": "application/octet-stream" },
        body: file,
      }),
    film: (query) => call(`${base}/drive.json?${query}`),
    stop: () => call(`${base}/run`, { method: "DELETE" }),
    listen(heard, lost) {
      const source = new EventSource(`${base}/events`);
      source.onmessage = (event) => heard(event.data.replaceAll('"', ""));
      source.onerror = lost;
      return source;
    },
  };
}
