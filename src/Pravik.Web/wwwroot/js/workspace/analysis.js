// The controls of the analysis step: what is shown of a model's results, its stages one after the other, its files.
// Choices of how a model's results are shown; they stay when the case changes.
const MODEL_CHOICES = [
  "show",
  "quantity",
  "girders",
  "arrange",
  "fixed",
  "zoom",
  "table",
  "with",
  "drawn",
  "look",
  "names",
  "motion",
  "load",
  "stage",
];

export const analysis = {
  control(name, value) {
    if (MODEL_CHOICES.includes(name)) this.shown[name] = value;
    else this.choice[name] = value;
    if (name === "stage") this.choice.pick = null;
    this.load();
  },

  // Sliders are logarithmic: each step to the right draws larger by the same factor.
  sliderOf: (c) => Math.log2(Number(c.value) || 1),
  slide(name, value) {
    this.shown[name] = Math.round(2 ** Number(value) * 100) / 100;
    this.later();
  },

  isSelect: (c) => !c.isSlider && !c.isText,
  groupsOf(c) {
    const groups = new Map();
    for (const o of c.choices.filter((o) => o.group))
      groups.set(o.group, [...(groups.get(o.group) ?? []), o]);
    return [...groups].map(([name, choices]) => ({ name, choices }));
  },

  loneOf: (c) => c.choices.filter((o) => !o.group),
  // The layout that is shown of the analysis; null in other steps.
  get analysed() {
    return this.step === "analysis" ? (this.layouts.find((l) => l.isActive)?.id ?? null) : null;
  },

  // The stages one after the other, from the first where the last is shown.
  get canPlay() {
    return this.analysed === "stages";
  },

  get playWords() {
    return this.playing ? "Stop" : "Play";
  },

  play() {
    this.playing = !this.playing;
    clearInterval(this.player);
    if (!this.playing) return;
    this.nextStage(true);
    this.player = setInterval(() => this.nextStage(false), 1400);
  },

  nextStage(first) {
    const control = this.controls.find((c) => c.parameter === "stage");
    const at = control?.choices.findIndex((o) => o.value === control.value) ?? -1;
    const last = !control || at + 1 >= control.choices.length;
    if (!this.canPlay || (last && !first)) return this.play();
    this.control("stage", control.choices[last ? 0 : at + 1].value);
  },

  // What is being typed stays while an answer comes in.
  keepTyped(input, value) {
    if (input !== document.activeElement) input.value = value;
  },

  // Many controls have a line of their own.
  get hasBar() {
    return ["results", "deflected", "frame", "stages"].includes(this.analysed);
  },

  get barControls() {
    return this.hasBar ? this.controls : [];
  },

  get headControls() {
    return this.hasBar ? [] : this.controls;
  },

  // Files of what is shown.
  get hasModel() {
    return this.analysed !== null && this.controls.length > 0;
  },

  get hasReport() {
    return this.analysed === "models" && this.hasTable;
  },

  get reportUrl() {
    return `/bridges/${this.project}/models`;
  },

  get hasModelTable() {
    return this.hasModel && this.analysed === "results" && this.hasTable;
  },

  modelTableUrl(format) {
    return this.hasModelTable
      ? `${this.api.base}/model-table.${format}?${new URLSearchParams(this.shown)}`
      : "";
  },

  get modelFileUrl() {
    return `${this.api?.base ?? ""}/model.json`;
  },
};
