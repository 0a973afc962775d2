namespace Pravik.Web.Steps;

/// <summary>All steps, those of the line in its order.</summary>
internal static class StepCatalog
{
    public static IReadOnlyList<IStep> All { get; } =
    [
        new BasisStep(),
        new RoadStep(),
        new AxesStep(),
        new DeckStep(),
        new GirdersStep(),
        new MaterialsStep(),
        new SectionsStep(),
        new SubstructureStep(),
        new LoadsStep(),
        new AnalysisStep(),
        new ChecksStep(),
        new SheetsStep(),
    ];

    /// <summary>The step of that name; the last where there is none.</summary>
    public static IStep Named(string id) => All.FirstOrDefault(s => s.Id == id) ?? All[^1];

    /// <summary>The step to which a value belongs, by the beginning of its path.</summary>
    public static IReadOnlyDictionary<string, string> Places { get; } =
        All.SelectMany(s => s.Paths.Select(p => (Path: p, s.Id))).ToDictionary(p => p.Path, p => p.Id);
}
