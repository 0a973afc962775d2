using System.Collections.Immutable;
using Pravik.Core.Units;
using Pravik.Core.Validation;

namespace Pravik.Core.Trusses;

/// <summary>Makes a scheme cheaper: sections, places of joints, or both.</summary>
public static class TrussSearch
{
    private const int Rounds = 2;

    /// <summary>
    /// Searches from a scheme that can be analysed. The result is never worse than it; it is the same scheme where none is better.
    /// </summary>
    /// <param name="scheme">Where it begins; throws <see cref="ArgumentException"/> where it can move or has no bars.</param>
    /// <param name="options">What may be changed.</param>
    /// <param name="tell">Told how far it is, now and then.</param>
    /// <param name="stop">Ends it early, with the best so far.</param>
    public static SearchResult Run(
        TrussScheme scheme,
        SearchOptions options,
        Action<SearchPoint>? tell = null,
        CancellationToken stop = default
    )
    {
        var model = TrussModel.Of(scheme);
        if (model.Bars.Length != scheme.Bars.Length || model.Bars.IsEmpty || TrussResults.Of(model) is null)
            throw new ArgumentException("The scheme cannot be analysed.", nameof(scheme));
        var log = new SearchLog(model, BarCatalogue.PriceOf(scheme, "order"), tell, stop);
        var choices = Choices(scheme, options).ToArray();
        var most = scheme.Task?.MostSections ?? int.MaxValue;
        SizeSearch Sizes(TrussModel from) => new(from, Groups(from, options.KeepsSymmetry), choices, most, log, options.Seed);
        bool IsAllowed(TrussModel tried) => LiesWell(Back(scheme, tried));
        switch (options.Kind)
        {
            case SearchKind.Size:
                Sizes(model).Run(options.SizeTrials);
                break;
            case SearchKind.Shape:
                new ShapeSearch(model, options, IsAllowed, null, log).Run(options.ShapeTrials);
                break;
            default:
                for (var round = 0; round < Rounds && !log.IsStopped; round++)
                {
                    var from = Sizes(log.Best).Run(options.SizeTrials / 4);
                    new ShapeSearch(from, options, IsAllowed, m => Sizes(m).Fitted(), log).Run(options.ShapeTrials / Rounds);
                }
                Sizes(log.Best).Run(options.SizeTrials / 2);
                break;
        }
        var best = log.History.Length == 1 ? scheme : Back(scheme, log.Best);
        return new(best, log.Before, log.History[^1], log.History);
    }

    /// <summary>Sections that a search may take, by options, task and what can be checked.</summary>
    public static IEnumerable<SectionChoice> Choices(TrussScheme scheme, SearchOptions options)
    {
        var free = scheme.Bars.Where(b => !b.Locked).ToList();
        var families = Allowed(options.Families, free.Select(b => b.Family), scheme.Task?.Families ?? []);
        var grades = Allowed(options.Grades, free.Select(b => b.Grade), scheme.Task?.Grades ?? []);
        foreach (var family in families)
        {
            foreach (var grade in BarCatalogue.GradesOf(scheme).Where(g => grades.Contains(g.Name)))
            {
                var price = BarCatalogue.SteelPrice(scheme, family, grade.Name);
                foreach (var section in BarCatalogue.SectionsOf(scheme, family).Where(s => s.IsWholeInCompression(grade)))
                    yield return new(section, grade, price);
            }
        }
    }

    private static List<string> Allowed(ImmutableArray<string> wanted, IEnumerable<string> used, ImmutableArray<string> task) =>
        [.. (wanted.IsEmpty ? used : wanted).Distinct().Where(w => task.IsEmpty || task.Contains(w))];

    /// <summary>Bars that change together: pairs that mirror each other and have the same section, else each by itself.</summary>
    public static int[][] Groups(TrussModel model, bool keepsSymmetry)
    {
        var mirror = keepsSymmetry ? new TrussMirror(model).Bars : null;
        List<int[]> groups = [];
        for (var b = 0; b < model.Bars.Length; b++)
        {
            var image = mirror?[b] ?? -1;
            if (model.Bars[b].IsLocked || (image >= 0 && model.Bars[image].IsLocked))
                continue;
            if (image < 0 || image == b)
                groups.Add([b]);
            else if (image > b)
                groups.Add([b, image]);
        }
        return [.. groups];
    }

    /// <summary>A scheme with the sections and places of a model.</summary>
    internal static TrussScheme Back(TrussScheme scheme, TrussModel model)
    {
        var at = model.Joints.ToDictionary(j => j.Id, j => j.At);
        return scheme with
        {
            Joints = [.. scheme.Joints.Select(j => j with { X = at[j.Id].X, Z = at[j.Id].Y })],
            Bars =
            [
                .. scheme.Bars.Select(
                    (b, i) =>
                        b with
                        {
                            Family = model.Bars[i].Section.Family,
                            Size = model.Bars[i].Section.Name,
                            Grade = model.Bars[i].Grade.Name,
                        }
                ),
            ],
        };
    }

    private static bool LiesWell(TrussScheme scheme)
    {
        var bounds = new Bounds(UnitSystem.Named(scheme.Units));
        TrussShapeValidation.Check(scheme, bounds);
        return !bounds.HasErrors && !bounds.HasFaults;
    }
}
