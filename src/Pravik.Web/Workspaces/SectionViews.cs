using Pravik.Core.Checks.En1992;
using Pravik.Core.Entries;
using Pravik.Core.Members;
using Pravik.Core.Units;
using Pravik.Drawings.Views;
using Pravik.Web.Ledgers;
using Pravik.Web.Steps;

namespace Pravik.Web.Workspaces;

/// <summary>A section of a member at the station cursor: strains, stresses, and axial force against moment.</summary>
internal sealed class SectionViews
{
    private readonly MemberPoint point;
    private readonly SectionStates states;
    private readonly UnitSystem units;
    private readonly string at;
    private readonly string shown;

    /// <param name="member">The member.</param>
    /// <param name="point">A place with a section.</param>
    /// <param name="at">The place in words.</param>
    /// <param name="units">Units of what is shown.</param>
    /// <param name="show">Which state is asked for.</param>
    public SectionViews(Member member, MemberPoint point, string at, UnitSystem units, string? show)
    {
        (this.point, this.at, this.units) = (point, at, units);
        states = new(member, point);
        shown = SectionStates.Kinds.Any(k => k.Id == show) ? show! : SectionStates.Kinds[0].Id;
    }

    /// <summary>The place of a member nearest to a station at which there is a section; null where there is none.</summary>
    public static MemberPoint? Nearest(Member member, double station) =>
        member.Points.Where(p => p.Section is not null).MinBy(p => Math.Abs(p.Station - station));

    /// <summary>What can be chosen.</summary>
    public IReadOnlyList<SheetControl> Controls =>
        [new("show", "Shown", shown, [.. SectionStates.Kinds.Select(k => new Choice(k.Id, k.Name))])];

    /// <summary>The section with its state, and the diagram of axial force and moment.</summary>
    public SheetContent Sheet(ViewSize half)
    {
        var interaction = InteractionView.Draw(states.Interaction(), states.Acting(), at, units, half);
        return states.Of(shown) is { } state
            ? new([
                Screen.Drawn("state", SectionStateView.Draw(point.Section!, state, at, units, half)),
                Screen.Drawn("interaction", interaction),
            ])
            : new([
                new("waiting", "Nothing balances", "The section cannot carry what acts.", ""),
                Screen.Drawn("interaction", interaction),
            ]);
    }

    /// <summary>The values of the state.</summary>
    public Ledger Ledger
    {
        get
        {
            if (states.Of(shown) is not { } state)
                return new("Section", at, [new("Nothing balances", []) { Note = "The section cannot carry what acts." }]);
            List<LedgerRow> forces =
            [
                Value("Axial force", state.Axial, QuantityKind.Force, "Tension positive."),
                Value("Moment", state.Moment, QuantityKind.Moment, "Sagging positive."),
                state.NeutralAxis is { } axis
                    ? Value("Neutral axis", axis, QuantityKind.Size, "Above the soffit.")
                    : LedgerRows.Reading("Neutral axis", "outside the section"),
            ];
            return new(
                "Section",
                at,
                [
                    new(state.Name, forces) { Note = state.Note },
                    new("Concrete", [.. state.Concrete.SelectMany(Ends)])
                    {
                        Columns = ["Part", "Height", "Strain", "Stress"],
                        Note = $"Tension positive: {Symbol(QuantityKind.Size)}, ‰, {Symbol(QuantityKind.Stress)}.",
                    },
                    new("Steel", [.. state.Steel.SelectMany(Cells)])
                    {
                        Columns = ["Steel", "Strain", "Stress", "Force"],
                        Note =
                            $"‰, {Symbol(QuantityKind.Stress)}, {Symbol(QuantityKind.Force)}; strain in all, that of prestress included.",
                    },
                ]
            );
        }
    }

    private string Symbol(QuantityKind kind) => units[kind].Symbol;

    private LedgerRow Value(string name, double value, QuantityKind kind, string help) =>
        new(name, units.Format(value, kind), Symbol(kind)) { Help = help };

    private IEnumerable<LedgerRow> Ends(ConcreteProfile part)
    {
        foreach (var end in new[] { part.Points[^1], part.Points[0] })
        {
            yield return Cell(part.Name);
            yield return Cell(units.Format(end.Height, QuantityKind.Size));
            yield return Cell(QuantityText.Fixed(1000 * end.Strain, 3));
            yield return Cell(units.Format(end.Stress, QuantityKind.Stress));
        }
    }

    private IEnumerable<LedgerRow> Cells(SteelAt steel)
    {
        yield return Cell(steel.Name);
        yield return Cell(QuantityText.Fixed(1000 * steel.Strain, 2));
        yield return Cell(units.Format(steel.Stress, QuantityKind.Stress));
        yield return Cell(units.Format(steel.Force, QuantityKind.Force));
    }

    private static LedgerRow Cell(string text) => new("", text, "");
}
