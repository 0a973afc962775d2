// News that stands over the sheet until it is closed or the next edit is taken.
import { explain } from "./entries.js";

export const noticeBox = (work) => ({
  words: "",
  isGood: false,
  get tone() {
    return this.isGood ? "told" : "";
  },
  init() {
    work.notice = this;
  },
  tell(words) {
    [this.words, this.isGood] = [words, false];
  },
  /** What came of keeping or making something. */
  told(answer) {
    this.words = answer.ok ? answer.data.words : explain(answer, "");
    this.isGood = answer.ok;
  },
  clear() {
    this.words = "";
  },
});
