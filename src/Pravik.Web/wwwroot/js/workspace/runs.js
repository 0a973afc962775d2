// What runs: told by the server as it goes on. A report asks for its own small part only; the rest is asked for when it ends.

export function listenToRuns(work) {
  const { api, page } = work;
  let asking = false;
  let told = false;
  const ask = async () => {
    told = true;
    if (asking) return;
    asking = true;
    try {
      while (told) {
        // What is told while an answer is awaited is newer than that answer, and asked for once more.
        told = false;
        const answer = await api.runState(work.choices.step);
        if (answer.data) show(answer.data);
        if (!answer.data?.isUnderWay) page.refresh();
      }
    } finally {
      asking = false;
    }
  };
  api.listen(
    (what) => {
      if (what === "run") ask();
      else if (what === "look") ["analysis", "checks"].includes(work.choices.step) && page.refresh();
      // An edit of one's own has been asked for already.
      else if (Number(what.split(" ")[1]) !== page.revision) page.refresh();
    },
    () => page.refresh(),
  );
}

function show(run) {
  const place = document.getElementById("running");
  place.hidden = !run.words;
  place.className = `running ${run.status}`;
  place.title = run.words;
  place.querySelector("i").style.width = `${Math.round(run.fraction * 100)}%`;
  place.querySelector("span").textContent = run.words;
  place.querySelector('[data-do="stop"]').hidden = !run.canStop;
  place.querySelector('[data-do="start"]').hidden = !run.canStart;
}
