using Pravik.Core.Entries;
using Pravik.Core.Traffic;
using Pravik.Core.Units;
using Pravik.Drawings;
using Pravik.Drawings.Views;
using Pravik.Web.Ledgers;
using Pravik.Web.Steps;

namespace Pravik.Web.Workspaces;

/// <summary>
/// The influence surface of an effect at the cursor: in bands or as heights over the deck, along a line, and its extremes and volumes.
/// </summary>
internal sealed class InfluenceViews(Screen screen, ModelViews model)
{
    private readonly LoadingViews loading = new(screen, model);
    private bool IsInSpace => screen.Request.Drawn == "heights";

    /// <summary>The lines along which it can be told: their names and offsets (m).</summary>
    private IEnumerable<(string Id, string Words, double Offset)> Lines =>
        [
            .. loading.OnDeck is { } at
                ? [("girder", loading.IsOfSlab ? "the place" : "the girder", at.Offset)]
                : Array.Empty<(string, string, double)>(),
            ("road", "the road line", 0),
            .. (loading.Traffic?.Lanes ?? []).Select(l => ($"lane{l.Kind}", $"lane {l.Kind} of the traffic", l.Offset)),
        ];

    private (string Id, string Words, double Offset) Line =>
        Lines.FirstOrDefault(l => l.Id == screen.Request.Along) is { Id: not null } chosen ? chosen : Lines.First();

    /// <summary>What is chosen.</summary>
    public IReadOnlyList<SheetControl> Controls =>
        [
            .. loading.Controls.Where(c => c.Parameter is "place" or "quantity" or "girder"),
            new("drawn", "Drawn", IsInSpace ? "heights" : "bands", [new("bands", "bands from above"), new("heights", "heights in space")]),
            new("along", "Along", Line.Id, [.. Lines.Select(l => new Choice(l.Id, l.Words))]),
            .. loading.Controls.Where(c => c.Parameter is "show" or "side"),
        ];

    /// <summary>The surface, and the line below it.</summary>
    public SheetContent Sheet()
    {
        if (loading.Surface is not { } surface)
            return new([new("waiting", "No influence surface", "nothing stands at this point", "")]);
        var shown = new ShownInfluence(surface, loading.Quantity.Kind, screen.Units) { Line = Line.Offset, Traffic = loading.Traffic };
        var size = screen.Part(0.56, 220);
        return new([
            Screen.Drawn(
                "influence",
                IsInSpace
                    ? InfluenceView.DrawHeights(screen.Geometry, shown, size, screen.Station)
                    : InfluenceView.DrawBands(screen.Geometry, shown, size, screen.Station)
            ),
            Screen.Drawn("line", DiagramView.Draw(Along(surface), screen.Units, screen.Part(0.44, 150), screen.Station)),
        ]);
    }

    private Diagram Along(SurfaceOnDeck surface)
    {
        var (profile, force) = (surface.Along(Line.Offset), screen.Units[QuantityKind.Force]);
        return new(
            $"Along {Line.Words}, under 1 {force.Symbol}",
            loading.Quantity.Kind,
            loading.Quantity.PositiveDown,
            [
                new(
                    loading.Quantity.Words,
                    [
                        .. profile.Stations.SelectMany(
                            (s, i) => new[] { (s, profile.Behind[i] * force.Factor), (s, profile.Ahead[i] * force.Factor) }
                        ),
                    ],
                    Pen.Active
                )
                {
                    Peaks = true,
                },
            ],
            DiagramAxes.Of(screen.Geometry, screen.Girder)
        )
        {
            Figures = 3,
        };
    }

    /// <summary>Extremes and volumes.</summary>
    public Ledger Ledger()
    {
        var rows = new List<LedgerGroup>();
        if (loading.Surface is { } surface)
        {
            rows.Add(
                new(
                    $"Readings: ordinates, under 1 {screen.Units[QuantityKind.Force].Symbol}",
                    [Peak("Greatest", surface.Greatest), Peak("Least", surface.Least)]
                )
            );
            rows.Add(
                new("Readings: volumes", [Volume("Above 0", surface.Above), Volume("Below 0", surface.Below)])
                {
                    Note =
                        "A volume is the effect of a load of 1 "
                        + $"{screen.Units[QuantityKind.AreaLoad].Symbol} on those parts of the whole deck.",
                }
            );
        }
        rows.Add(
            new("", [])
            {
                Note =
                    "What a unit load, down, anywhere on the deck does to the effect. It is straight between the lines of the model’s "
                    + "mesh. Broken lines are the lanes, and dots the wheels, of the traffic behind the chosen value.",
            }
        );
        return new("Influence", $"{loading.Quantity.Words.ToLowerInvariant()} at {loading.Place}", rows);
    }

    private LedgerRow Peak(string name, SurfaceCorner at) =>
        new(name, Words(at.Ordinate, QuantityKind.Force), Symbol)
        {
            Help =
                $"At station {screen.Units.FormatWithUnit(at.At.Station, QuantityKind.Length)}, "
                + $"offset {screen.Units.FormatWithUnit(at.At.Offset, QuantityKind.Length)}.",
        };

    private LedgerRow Volume(string name, double value) => new(name, Words(value, QuantityKind.AreaLoad), Symbol);

    private string Symbol => screen.Units[loading.Quantity.Kind].Symbol;

    private string Words(double value, QuantityKind under) =>
        QuantityText.Significant(value * screen.Units[under].Factor / screen.Units[loading.Quantity.Kind].Factor, 4);
}
