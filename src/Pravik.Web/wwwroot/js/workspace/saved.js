// Whether what was entered is saved, and whether the server can be reached: said in one place of the header.

export class Saved {
  constructor(work) {
    this.work = work;
    this.sending = 0;
    this.isLost = false;
    this.trial = "";
  }

  /** A request that changes something is under way, or has ended. */
  begin() {
    this.sending++;
    this.show();
  }

  end() {
    this.sending--;
    this.show();
  }

  lost() {
    this.isLost = true;
    this.show();
  }

  reached() {
    const was = this.isLost;
    this.isLost = false;
    if (was) this.work.entries.sendAgain();
  }

  get isSaving() {
    return this.sending > 0 || (this.work.entries?.waiting.length ?? 0) > 0;
  }

  get words() {
    const kept = this.work.entries?.waiting.length ?? 0;
    if (this.isLost)
      return kept > 0
        ? `no answer from the server; ${kept === 1 ? "1 entry is" : `${kept} entries are`} kept here and sent again`
        : "no answer from the server; asking again";
    if (this.isSaving) return "saving…";
    return `edit ${this.work.page.revision}, saved`;
  }

  /** Says what is shown and not entered; nothing where that is over. */
  tries(words) {
    this.trial = words;
    this.show();
  }

  show() {
    const place = document.querySelector(".saved");
    if (place.textContent !== this.words) place.textContent = this.words;
    place.classList.toggle("lost", this.isLost);
    const trial = document.querySelector(".trial");
    trial.textContent = this.trial;
    trial.hidden = !this.trial;
  }
}
