using Pravik.Core.Effects;
using Pravik.Core.Entries;
using Pravik.Core.Models;
using Pravik.Core.Stages;
using Pravik.Core.Traffic;
using Pravik.Core.Units;
using Pravik.Web.Ledgers;
using Pravik.Web.Steps;

namespace Pravik.Web.Workspaces;

/// <summary>The loads behind a value at the cursor: its parts and factors, lanes and vehicles, and what acts together with it.</summary>
internal sealed class LoadingViews
{
    private readonly Screen screen;
    private readonly BridgeEffects ranges;
    private readonly ModelPoint point;
    private readonly int effect;

    /// <param name="screen">What is shown; it has a model.</param>
    /// <param name="model">Its results.</param>
    public LoadingViews(Screen screen, ModelViews model)
    {
        (this.screen, ranges) = (screen, model.Ranges);
        var layout = model.Results.Layout;
        var number = Enumerable
            .Range(0, layout.Points.Length)
            .Where(p => layout.Points[p].Girder == screen.Girder)
            .MinBy(p => Math.Abs(layout.Points[p].Station - screen.Station));
        point = layout.Points[number];
        effect = layout.At(number, Quantity.Effect);
    }

    private Quantity Quantity => Quantity.Named(screen.Request.Quantity);

    private bool IsGreatest => screen.Request.Side != "least";

    private EffectRange Asked => ranges.Find(new(screen.Request.Show)) ?? ranges.Find(CaseId.Ultimate)!;

    /// <summary>The combination of an envelope that gives the value, or what was asked for.</summary>
    private EffectRange Range => Asked.Governing(effect, IsGreatest);

    private List<RangePart> Parts => [.. Asked.Parts(effect, IsGreatest)];

    /// <summary>The traffic in it; null for none.</summary>
    public PlacedTraffic? Traffic =>
        Parts.Select(p => p.Of.Loading(effect, p.IsGreatest)).FirstOrDefault(l => l is { Lanes.IsEmpty: false });

    /// <summary>What is chosen: case, effect, girder, side.</summary>
    public IReadOnlyList<SheetControl> Controls =>
        [
            new("show", "Shown", Asked.Id.Value, [.. ranges.All.Select(r => new Choice(r.Id.Value, r.Name) { Group = r.Group })]),
            new("quantity", "Effect", Quantity.Id, [.. Quantity.All.Select(q => new Choice(q.Id, q.Words))]),
            new("girder", "Girder", $"{screen.Girder + 1}", [.. screen.Geometry.Girders.Select(g => new Choice($"{g.Number}", g.Name))]),
            new("side", "Value", IsGreatest ? "greatest" : "least", [new("greatest", "greatest"), new("least", "least")]),
        ];

    /// <summary>Of what the value is made.</summary>
    public DataTable Table()
    {
        string Value(double value) => screen.Units.Format(value, Quantity.Kind);
        TableRow Row(string name, string factor, double value) => new([name, factor, Value(value)], [null, null, value], null, null, false);
        var parts = Parts;
        return new(
            $"{Quantity.Words} at {Place}, {(IsGreatest ? "greatest" : "least")}: {Range.Name}",
            [new("Part", false), new("Factor", true), new($"Value, {screen.Units[Quantity.Kind].Symbol}", true)],
            [
                .. parts.Select(p => Row(p.Of.Name, QuantityText.Fixed(p.Factor, 3).TrimEnd('0').TrimEnd('.'), p.Value)),
                Row("In all", "", Asked.Side(IsGreatest)[effect]),
            ]
        );
    }

    private string Place =>
        $"{screen.Geometry.Girders[point.Girder].Name}, span {point.Span + 1}, "
        + screen.Units.FormatWithUnit(point.Station, QuantityKind.Length);

    /// <summary>The ledger beside it.</summary>
    public Ledger Ledger() =>
        new(
            "Loading",
            $"what acts at {Place}",
            [
                new("Readings: the value", [screen.Rows.Reading(Quantity.Words, Asked.Side(IsGreatest)[effect], Quantity.Kind)])
                {
                    Note = $"Given by: {Range.Name}{(Range.Clause.Length > 0 ? $" ({Range.Clause})" : "")}.",
                },
                new("Readings: together with it", [.. Together()]) { Note = "Forces at the same place under this very loading." },
                Lanes(),
            ]
        );

    private IEnumerable<LedgerRow> Together()
    {
        var values = Asked.Together(effect, IsGreatest);
        for (var c = 0; c < EffectLayout.Forces && c < values.Length; c++)
        {
            if (Quantity.All.FirstOrDefault(q => q.Effect == (GirderEffect)c) is { } of)
                yield return screen.Rows.Reading(of.Words, values[c], of.Kind);
        }
    }

    private LedgerGroup Lanes()
    {
        if (Traffic is not { } traffic)
            return new("Readings: traffic", [LedgerRows.Reading("No lane is loaded", "")]);
        return new("Readings: traffic", [.. LaneRows.Of(traffic, screen.Units)])
        {
            Columns = LaneRows.Columns,
            Note =
                "Distributed loads of lanes and of the rest act on the parts that worsen the value; those parts are not drawn."
                + (traffic.Presence == 1 ? "" : $" Factor by the number of loaded lanes: {QuantityText.Fixed(traffic.Presence, 2)}."),
        };
    }
}
