// What runs: told by the server as it goes on. A report asks for its own small part only; the rest is asked for when it ends.

export function listenToRuns(work) {
  const { api, page } = work;
  let asked = false;
  const ask = async () => {
    if (asked) return;
    asked = true;
    const answer = await api.runState(work.choices.step);
    asked = false;
    if (!answer.ok) return;
    if (answer.data.isUnderWay) {
      page.underWay = true;
      show(answer.data);
    } else if (page.underWay || work.choices.step === "analysis") page.refresh();
  };
  api.listen(
    (what) => {
      if (what === "run") ask();
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
