using System.Globalization;
using Pravik.Core.Places;
using Pravik.Core.Quantities;
using Pravik.Core.Units;
using Pravik.Drawings.Views;
using Pravik.Web.Steps;

namespace Pravik.Web.Workspaces;

/// <summary>The plates of a steel girder from splice to splice, drawn and listed with their mass.</summary>
internal static class PlateTables
{
    /// <summary>The sheet of the girder at the cursor; null where it is not of steel.</summary>
    public static SheetContent? Sheet(Screen screen)
    {
        var girder = screen.Geometry.Girders[screen.Girder];
        var runs = PlateRun.Of(screen.Geometry, girder);
        return runs.IsEmpty
            ? null
            : new(
                [Screen.Drawn("side", PlateElevation.Draw(screen.Geometry, girder, screen.Units, screen.Half, screen.Station))],
                Table(screen, girder, runs)
            );
    }

    private static DataTable Table(Screen screen, GirderLine girder, IReadOnlyList<PlateRun> runs)
    {
        var units = screen.Units;
        string Plate(double width, double thickness) => QuantityText.Plate(width, thickness, units);
        double Station((Core.Bridges.SpanIndex Span, double At) place) =>
            screen.Geometry.Road.Locate(screen.Geometry.OnGirder(girder, place.Span, place.At)).Station;
        TableRow Row(PlateRun run)
        {
            var (from, to, p) = (Station(run.First), Station(run.Last), run.Plates);
            return new(
                [
                    run.Section,
                    units.Format(from, QuantityKind.Length),
                    units.Format(to, QuantityKind.Length),
                    units.Format(run.Length, QuantityKind.Length),
                    Plate(p.Top.Width, p.Top.Thickness),
                    Plate(p.WebDepth, p.WebThickness),
                    Plate(p.Bottom.Width, p.Bottom.Thickness),
                    units.Format(run.Mass, QuantityKind.Mass),
                ],
                [null, from, to, run.Length, p.Top.Area, p.WebArea, p.Bottom.Area, run.Mass],
                PartPath.Girder(girder, run.First.Span),
                null,
                false
            );
        }
        var work = SteelWork.Of(screen.Geometry, girder);
        var studs = screen
            .Geometry.SpanIndices.Where(girder.IsIn)
            .SelectMany(s => StudRun.Of(screen.Geometry, girder, s))
            .Sum(s => s.Count);
        return new(
            $"Plates of {girder.Name}: {units.FormatWithUnit(runs.Sum(r => r.Mass), QuantityKind.Mass)}, "
                + $"{runs.Count - 1} splices, {studs.ToString(CultureInfo.InvariantCulture)} studs, "
                + $"{units.FormatWithUnit(work.Welds, QuantityKind.Length)} of welds, "
                + $"{units.FormatWithUnit(work.Paint, QuantityKind.Area)} to paint",
            [
                new("Section", false),
                new($"From station, {units[QuantityKind.Length].Symbol}", true),
                new("To station", true),
                new("Length", true),
                new($"Top flange, {units[QuantityKind.Size].Symbol}", true),
                new("Web", true),
                new("Bottom flange", true),
                new($"Mass, {units[QuantityKind.Mass].Symbol}", true),
            ],
            [.. runs.Select(Row)]
        );
    }
}
