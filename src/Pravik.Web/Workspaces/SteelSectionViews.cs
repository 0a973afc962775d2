using Pravik.Core.Checks.Steel;
using Pravik.Core.Codes;
using Pravik.Core.Entries;
using Pravik.Core.Members;
using Pravik.Core.Units;
using Pravik.Drawings.Views;
using Pravik.Web.Ledgers;
using Pravik.Web.Steps;

namespace Pravik.Web.Workspaces;

/// <summary>A section of a steel girder at the station cursor: its states side by side, and its stresses.</summary>
internal sealed class SteelSectionViews(Member member, MemberPoint point, string at, UnitSystem units, string? show)
{
    private static readonly IReadOnlyList<(string Id, string Name, string Words, LimitState State)> Shown =
    [
        ("strength", "Strength", "strength states", LimitState.Ultimate),
        ("service", "Service II with I and IV", "service states", LimitState.Characteristic),
        ("sustained", "Sustained", "permanent loads", LimitState.QuasiPermanent),
    ];

    private readonly MemberSteel steel = point.Steel[^1];
    private readonly (string Id, string Name, string Words, LimitState State) shown = Shown.FirstOrDefault(s => s.Id == show, Shown[0]);

    /// <summary>The place of a steel girder nearest to a station; null for members of concrete.</summary>
    public static MemberPoint? Nearest(Member member, double station) =>
        member.Points.Where(p => !p.Steel.IsEmpty).MinBy(p => Math.Abs(p.Station - station));

    /// <summary>What can be chosen.</summary>
    public IReadOnlyList<SheetControl> Controls => [new("show", "Stresses", shown.Id, [.. Shown.Select(s => new Choice(s.Id, s.Name))])];

    /// <summary>The section with its stresses, and those of the flanges along the girder.</summary>
    public SheetContent Sheet(Screen screen)
    {
        var along = screen.Results!.FlangeDiagram(screen.Girder, shown.State, shown.Words);
        return new([
            Screen.Drawn("state", SteelSectionView.Draw(steel, Readings, $"Section and stresses, {shown.Name}", at, units, screen.Half)),
            Screen.Drawn("along", DiagramView.Draw(along, units, screen.Half, screen.Station)),
        ]);
    }

    private IReadOnlyList<(string Name, SteelReading Stresses)> Readings => [("greatest M", Reading(true)), ("least M", Reading(false))];

    private SteelReading Reading(bool isGreatest) => SteelReading.Of(member, point, steel, shown.State, isGreatest);

    /// <summary>Properties of all states side by side, the plates, and what each moment acts on.</summary>
    public Ledger Ledger =>
        new(
            "Section",
            at,
            [
                new("Plates", [.. Plates]) { Note = steel.Side.Length == 0 ? "" : $"The section {steel.Side} of the splice." },
                new("Section states", [.. States])
                {
                    Columns = ["Of", "alone", "3n", "n", "bars"],
                    Note =
                        $"In steel: the steel alone, with the slab over 3n and over n (n = {QuantityText.Fixed(steel.Slab.Ratio, 2)}), and "
                        + "with the slab’s bars. S at the outer edges of the flanges.",
                },
                new("Moments", [.. Moments])
                {
                    Columns = ["On", "greatest", "least"],
                    Note =
                        $"{units[QuantityKind.Moment].Symbol}, sagging positive. What comes before a slab is stiff acts on the steel "
                        + "alone, permanent loads after it on 3n, all else on n; where the whole sags. Where it hogs, on steel and bars.",
                },
            ]
        );

    private IEnumerable<LedgerRow> Plates
    {
        get
        {
            string Plate(double width, double thickness) => QuantityText.Plate(width, thickness, units);
            var p = steel.Plates;
            yield return new("Top flange", Plate(p.Top.Width, p.Top.Thickness), units[QuantityKind.Size].Symbol);
            yield return new("Web", Plate(p.WebDepth, p.WebThickness), units[QuantityKind.Size].Symbol);
            yield return new("Bottom flange", Plate(p.Bottom.Width, p.Bottom.Thickness), units[QuantityKind.Size].Symbol);
            yield return Value("Slab acting", steel.Slab.Width, QuantityKind.Length);
            yield return Value("Between braces", steel.Unbraced.Length, QuantityKind.Length);
            yield return Value("Between upright stiffeners", steel.Panel.Length, QuantityKind.Length);
            if (steel.IsCurved)
                yield return Value("Radius in plan", Math.Abs(1 / steel.Curvature), QuantityKind.Length);
        }
    }

    private LedgerRow Value(string name, double value, QuantityKind kind) => new(name, units.Format(value, kind), units[kind].Symbol);

    private IEnumerable<LedgerRow> States
    {
        get
        {
            var all = SteelSectionView.States.Select(s => steel.In(s.State)).ToList();
            var rows = new (string Name, QuantityKind Kind, Func<Core.Sections.SectionProperties, double> Of)[]
            {
                ("A", QuantityKind.SectionArea, s => s.Area),
                ("z̄", QuantityKind.Size, s => s.Centroid),
                ("I", QuantityKind.SecondMoment, s => s.SecondMoment),
                ("S_t", QuantityKind.Modulus, s => s.SecondMoment / Math.Abs(s.Depth - s.Centroid)),
                ("S_b", QuantityKind.Modulus, s => s.SecondMoment / s.Centroid),
            };
            foreach (var (name, kind, of) in rows)
            {
                yield return Cell($"{name}, {units[kind].Symbol}");
                foreach (var section in all)
                    yield return Cell(units.Format(of(section), kind));
            }
        }
    }

    private IEnumerable<LedgerRow> Moments
    {
        get
        {
            var both = Readings.Select(r => r.Stresses).ToList();
            var rows = new (string Name, Func<SteelReading, double> Of)[]
            {
                ("the steel alone", r => r.OnBare),
                ("steel and slab, long", r => r.OnLongTerm),
                ("steel and slab, short", r => r.OnShortTerm),
                ("sum", r => r.Moment),
            };
            foreach (var (name, of) in rows)
            {
                yield return Cell(name);
                foreach (var reading in both)
                    yield return Cell(units.Format(of(reading), QuantityKind.Moment));
            }
        }
    }

    private static LedgerRow Cell(string text) => new("", text, "");
}
