using Pravik.Core.Bridges;
using Pravik.Core.Places;
using Pravik.Core.Sections;

namespace Pravik.Core.Quantities;

/// <summary>Work on steel girders beside their mass: fillet welds and surfaces to be painted.</summary>
/// <param name="Welds">Length of fillet welds (m): both sides of the web at each flange, and around stiffeners.</param>
/// <param name="Paint">Surface (m²), without the top of the top flange under the slab; both faces of stiffeners; frames all around.</param>
public readonly record struct SteelWork(double Welds, double Paint)
{
    /// <summary>Both together.</summary>
    public static SteelWork operator +(SteelWork a, SteelWork b) => new(a.Welds + b.Welds, a.Paint + b.Paint);

    /// <summary>That of a girder: its plates and the stiffeners on it.</summary>
    public static SteelWork Of(BridgeGeometry geometry, GirderLine girder)
    {
        var sum = default(SteelWork);
        foreach (var run in PlateRun.Of(geometry, girder))
            sum += new SteelWork(run.Plates.IsWelded ? 4 * run.Length : 0, Around(run.Plates) * run.Length);
        foreach (var place in geometry.StiffenerPlaces().Where(s => s.Girder == girder))
            sum += OfStiffener(place);
        return sum;
    }

    /// <summary>Surface of the bars of all frames (m²).</summary>
    public static double PaintOfFrames(BridgeGeometry geometry) =>
        geometry.DiaphragmBays().Where(b => b.Diaphragm.Kind != DiaphragmKind.Concrete).Sum(b => Around(geometry, b) * b.BarLength);

    private static double Around(BridgeGeometry geometry, DiaphragmBay bay) =>
        geometry.BarsOf(bay.Diaphragm)?.Parts.Where(p => !p.IsVoid).Sum(p => Perimeter(p.Outline)) ?? 0;

    private static double Perimeter(Geometry.Polygon outline) =>
        outline.Points.Select((p, i) => Geometry.Point.Distance(p, outline.Points[(i + 1) % outline.Points.Length])).Sum();

    /// <summary>Around the plates but the top of the top flange (m).</summary>
    private static double Around(PlateGirder plates)
    {
        var (top, bottom) = (plates.Top, plates.Bottom);
        return 2 * plates.WebDepth
            + (top.Width - plates.WebThickness)
            + 2 * top.Thickness
            + (2 * bottom.Width - plates.WebThickness)
            + 2 * bottom.Thickness;
    }

    /// <summary>Welded to the web on both sides of each plate; upright ones at both flanges too.</summary>
    private static SteelWork OfStiffener(StiffenerPlace place)
    {
        var (stiffener, plates) = (place.Stiffener, place.Stiffener.BothSides ? 2 : 1);
        var length = place.Volume / (plates * stiffener.Width * stiffener.Thickness);
        return new(plates * 2 * (length + (place.IsUpright ? 2 * stiffener.Width : 0)), plates * 2 * stiffener.Width * length);
    }
}
