using System.Collections.Immutable;
using Pravik.Core.Calculations;
using Pravik.Core.Checks;
using Pravik.Core.Effects;
using Pravik.Core.Entries;
using Pravik.Core.Models;
using Pravik.Core.Traffic;
using Pravik.Core.Units;
using Pravik.Drawings;
using Pravik.Drawings.Views;
using Pravik.Web.Ledgers;
using Pravik.Web.Steps;
using Pravik.Web.Workspaces;

namespace Pravik.Web.Members;

/// <summary>What a member's effects and checks show: diagrams, tables, calculations.</summary>
internal static class MemberViews
{
    private static readonly (string Id, GirderEffect Effect, string Name, QuantityKind Kind)[] Quantities =
    [
        ("M", GirderEffect.M, "Moment", QuantityKind.Moment),
        ("V", GirderEffect.V, "Shear", QuantityKind.Force),
        ("d", GirderEffect.Deflection, "Deflection", QuantityKind.Size),
        ("N", GirderEffect.N, "Axial force", QuantityKind.Force),
        ("T", GirderEffect.T, "Torsion", QuantityKind.Moment),
        ("bottom", GirderEffect.Bottom, "Stress at the soffit", QuantityKind.Stress),
        ("top", GirderEffect.GirderTop, "Stress at the member’s top", QuantityKind.Stress),
    ];

    /// <summary>What can be shown: limit states, then cases and traffic by themselves.</summary>
    private static IEnumerable<(string Id, string Group, EffectRange Range)> Ranges(MemberScreen screen)
    {
        var effects = screen.Run!.Effects;
        foreach (var (state, range) in effects.States)
            yield return (state.ToString().ToLowerInvariant(), "Limit states", range);
        for (var i = 0; i < effects.Cases.Count; i++)
            yield return ($"case{i + 1}", "Cases", effects.Cases[i].Range);
        for (var i = 0; i < effects.Traffic.Count; i++)
            yield return ($"traffic{i + 1}", "Traffic", effects.Traffic[i].Range);
        for (var i = 0; i < effects.Combinations.Count; i++)
            yield return ($"combination{i + 1}", "Combinations", effects.Combinations[i]);
    }

    private static (string Id, string Group, EffectRange Range) Shown(MemberScreen screen)
    {
        var all = Ranges(screen).ToList();
        return all.Find(r => r.Id == screen.Request.Show) is { Range: not null } found ? found : all[0];
    }

    private static (string Id, GirderEffect Effect, string Name, QuantityKind Kind) Quantity(MemberScreen screen) =>
        Offered(screen).FirstOrDefault(q => q.Id == screen.Request.Quantity) is { Name: not null } found ? found : Quantities[0];

    /// <summary>At the ultimate state forces alone: prestress is part of the resistance; stresses and deflections lack it.</summary>
    private static IEnumerable<(string Id, GirderEffect Effect, string Name, QuantityKind Kind)> Offered(MemberScreen screen)
    {
        var shown = Shown(screen);
        var isUltimate = shown.Id == "ultimate" || shown.Range.Id.Value?.StartsWith("ultimate.", StringComparison.Ordinal) == true;
        return Quantities.Where(q => !isUltimate || q.Kind is QuantityKind.Moment or QuantityKind.Force);
    }

    public static IReadOnlyList<SheetControl> Controls(MemberScreen screen) =>
        screen.Run is null || screen.Request.Layout is "reactions" or "camber"
            ? []
            :
            [
                new("show", "Show", Shown(screen).Id, [.. Ranges(screen).Select(r => new Choice(r.Id, r.Range.Name) { Group = r.Group })]),
                new("quantity", "of it", Quantity(screen).Id, [.. Offered(screen).Select(q => new Choice(q.Id, q.Name))]),
            ];

    private static SheetContent Waiting(MemberScreen screen) => new([new("waiting", "Nothing is worked out yet", screen.Waits, "")]);

    public static SheetContent Effects(MemberScreen screen)
    {
        if (screen.Run is null)
            return Waiting(screen);
        var (shown, quantity) = (Shown(screen).Range, Quantity(screen));
        Series Line(bool greatest, Pen pen) =>
            new(
                shown.IsSingle ? quantity.Name
                    : greatest ? "greatest"
                    : "least",
                [.. screen.Places.Points.Select((p, i) => (p.Distance, shown.Side(greatest)[i, quantity.Effect]))],
                pen
            )
            {
                Peaks = true,
            };
        ImmutableArray<Series> series = shown.IsSingle ? [Line(true, Pen.Active)] : [Line(true, Pen.Active), Line(false, Pen.Load)];
        var diagram = new Diagram(
            $"{shown.Name}: {quantity.Name.ToLowerInvariant()}",
            quantity.Kind,
            quantity.Effect == GirderEffect.M,
            series,
            screen.Axes
        )
        {
            Envelope = shown.IsSingle ? null : (0, 1),
        };
        var drawing = DiagramView.Draw(diagram, screen.Units, screen.Half, screen.Station);
        return new([Screen.Drawn("diagram", drawing), screen.Elevation(screen.Half)]);
    }

    public static SheetContent Reactions(MemberScreen screen)
    {
        if (screen.Run is not { } run)
            return Waiting(screen);
        var force = screen.Units[QuantityKind.Force];
        string Value(double value) => QuantityText.Fixed(value / force.Factor, 1);
        List<TableRow> rows = [];
        foreach (var c in run.Effects.Cases)
            rows.Add(Row(c.Range.Name, [.. c.Results.Reactions.Select(r => (Value(r), (double?)r))]));
        foreach (var t in run.Effects.Traffic)
        {
            rows.Add(Row($"{t.Model.Name}, greatest", [.. t.Reactions.Select(r => (Value(r.Greatest), (double?)r.Greatest))]));
            rows.Add(Row($"{t.Model.Name}, least", [.. t.Reactions.Select(r => (Value(r.Least), (double?)r.Least))]));
        }
        DataTable table = new(
            $"Reactions without partial factors, {force.Symbol}, up",
            [new("Load", false), .. screen.Member.Supports.Select((_, i) => new TableColumn($"Support {i + 1}", true))],
            rows
        );
        return new([screen.Elevation(screen.Half)], table);

        static TableRow Row(string name, List<(string Text, double? Value)> cells) =>
            new([name, .. cells.Select(c => c.Text)], [null, .. cells.Select(c => c.Value)], null, null, false);
    }

    public static Ledger EffectLedger(MemberScreen screen)
    {
        if (screen.Run is not { } run)
            return new("Effects", screen.Waits, []);
        var (place, shown) = (screen.AtCursor, Shown(screen).Range);
        var at = screen.Places.Places[place].At;
        IEnumerable<LedgerRow> Values()
        {
            foreach (var (_, effect, name, kind) in Offered(screen))
            {
                var (most, fewest) = (shown.Greatest[place, effect], shown.Least[place, effect]);
                if (most == 0 && fewest == 0)
                    continue;
                var words = $"{screen.Units.Format(fewest, kind)} to {screen.Units.Format(most, kind)}";
                yield return new(name, shown.IsSingle ? screen.Units.Format(most, kind) : words, screen.Units[kind].Symbol);
            }
        }
        IEnumerable<LedgerRow> Parts()
        {
            var quantity = Quantity(screen);
            foreach (var part in shown.Parts(screen.Run.Effects.Layout.At(place, quantity.Effect), true).Where(p => p.Value != 0))
                yield return new(
                    $"{part.Of.Name} × {QuantityText.Fixed(part.Factor, 2)}",
                    screen.Units.Format(part.Value, quantity.Kind),
                    screen.Units[quantity.Kind].Symbol
                );
        }
        return new(
            "Effects",
            $"at {screen.At(at)}",
            [
                new(shown.Name, [.. Values()]) { Note = shown.IsSingle ? "" : "Least to greatest; each stands for itself." },
                new($"Readings: greatest {Quantity(screen).Name.ToLowerInvariant()}", [.. Parts()])
                {
                    Note = "Of what it is made, with all factors.",
                },
                NotChecked(run.Checks),
            ]
        );
    }

    /// <summary>The section nearest to the cursor; null while nothing is checked.</summary>
    public static SectionViews? SectionAt(MemberScreen screen)
    {
        if (screen.Run is not { Checks.Outcomes.IsEmpty: false } run)
            return null;
        var member = run.Checks.Members[0];
        return SectionViews.Nearest(member, screen.Station) is { } point
            ? new(member, point, $"at {screen.At(point.Station)}", screen.Units, screen.Request.Show)
            : null;
    }

    public static SheetContent Checks(MemberScreen screen)
    {
        if (screen.Run is not { } run)
            return Waiting(screen);
        if (screen.Outcome is not { } outcome)
            return new([new("waiting", "Nothing is checked", string.Join(". ", run.Checks.Refusals), "")]);
        var value = ResultViews.Value(outcome.Effect, outcome, screen.Units);
        var effect =
            CheckDiagrams.IsDrawnAsRatio(outcome) ? outcome.Utilisation
            : outcome.Kind is QuantityKind.Force or QuantityKind.Size ? Math.Abs(outcome.Effect)
            : outcome.Effect;
        var drawing = DiagramView.Draw(
            new CheckDiagrams(run.Checks, run.Checks.Members[0], screen.Axes).Of(outcome),
            screen.Units,
            screen.Half,
            screen.Station,
            (screen.Places.Places[outcome.Point].At, effect, $"{value} · {QuantityText.Fixed(outcome.Utilisation, 2)}")
        );
        return new([Screen.Drawn("diagram", drawing)], CheckTable(screen));
    }

    private static DataTable CheckTable(MemberScreen screen)
    {
        var units = screen.Units;
        TableRow Row(CheckOutcome o)
        {
            var place = screen.Places.Places[o.Point];
            return new(
                [
                    $"{place.Span + 1}",
                    units.Format(place.At, QuantityKind.Length),
                    o.Name,
                    ResultViews.Value(o.Effect, o, units),
                    ResultViews.Value(o.Resistance, o, units),
                    QuantityText.Fixed(o.Utilisation, 2),
                    o.Clause,
                ],
                [place.Span, place.At, null, o.Effect, o.Resistance, o.Utilisation, null],
                MemberScreen.PathOf(o),
                o.Utilisation,
                o == screen.Outcome
            );
        }
        return new(
            "Governing checks, worst first",
            [
                new("Span", true),
                new("Station", true),
                new("Check", false),
                new("Effect", true),
                new("Resistance", true),
                new("Utilisation", true),
                new("Clause", false),
            ],
            [.. screen.Run!.GoverningBySpan().Select(Row)]
        );
    }

    public static Ledger CheckLedger(MemberScreen screen)
    {
        if (screen.Run is not { } run || screen.Outcome is not { } outcome)
            return new("Checks", screen.Waits, screen.Run is null ? [] : [NotChecked(screen.Run.Checks)]);
        var at = screen.At(screen.Places.Places[outcome.Point].At);
        var calculation = new Calculation($"{outcome.Name}, {at}", screen.Units);
        run.Checks.Write(outcome, calculation);
        return new(outcome.Name, $"at {at}", [.. TrafficBehind(screen, outcome), NotChecked(run.Checks)])
        {
            PrintAt = $"/members/{screen.Snapshot.Id}/report",
            Lines = LedgerLine.Of(calculation),
        };
    }

    private static LedgerGroup NotChecked(CheckedMembers checks) =>
        new("Not checked yet", []) { Note = $"{string.Join(", ", checks.NotChecked)}." };

    /// <summary>How traffic stands for the effect behind an outcome.</summary>
    private static IEnumerable<LedgerGroup> TrafficBehind(MemberScreen screen, CheckOutcome outcome)
    {
        if (outcome.State is not { } state || screen.Member.Traffic.IsEmpty)
            yield break;
        var range = screen.Run!.Effects.Of(state);
        var effect = range.Layout.At(outcome.Source, outcome.Leads);
        var parts = range.Governing(effect, outcome.IsGreatest).Parts(effect, outcome.IsGreatest);
        foreach (var part in parts)
        {
            if (part.Of.OnLine(effect, part.IsGreatest) is { } loading)
                yield return new("Traffic in one lane", [.. Rows(screen, part, loading)]);
        }
    }

    private static IEnumerable<LedgerRow> Rows(MemberScreen screen, RangePart part, LineLoading loading)
    {
        yield return LedgerRows.Reading("Load", loading.Load.Name);
        if (!double.IsNaN(loading.First))
        {
            yield return LedgerRows.Reading(
                "First along",
                screen.At(loading.First),
                "Where its first axle or load stands; beyond the ends it acts on nothing."
            );
            yield return LedgerRows.Reading("Goes", loading.IsTurned ? "back" : "ahead");
        }
        yield return LedgerRows.Reading("Factor", QuantityText.Fixed(part.Factor, 2), "Partial and combination factor.");
    }
}
