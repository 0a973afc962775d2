using System.Collections.Immutable;
using Pravik.Core.Geometry;

namespace Pravik.Core.Sections;

/// <summary>A precast I-girder section by its sizes (m), symmetric about its vertical axis.</summary>
public sealed record ISection
{
    public double Depth { get; init; } = 1.2;
    public double TopFlangeWidth { get; init; } = 0.8;
    public double TopFlangeThickness { get; init; } = 0.12;

    /// <summary>Height of the slope between top flange and web.</summary>
    public double TopTaper { get; init; } = 0.08;
    public double WebThickness { get; init; } = 0.18;

    /// <summary>Height of the slope between web and bottom flange.</summary>
    public double BottomTaper { get; init; } = 0.16;
    public double BottomFlangeThickness { get; init; } = 0.22;
    public double BottomFlangeWidth { get; init; } = 0.65;

    /// <summary>The outline, from the soffit (y = 0) up, centred on x = 0.</summary>
    public Polygon Outline()
    {
        double top = TopFlangeWidth / 2, web = WebThickness / 2, bottom = BottomFlangeWidth / 2;
        ImmutableArray<Point> right =
        [
            new(bottom, 0), new(bottom, BottomFlangeThickness), new(web, BottomFlangeThickness + BottomTaper),
            new(web, Depth - TopFlangeThickness - TopTaper), new(top, Depth - TopFlangeThickness), new(top, Depth),
        ];
        return new(right.Concat(right.Reverse().Select(p => new Point(-p.X, p.Y))));
    }

    public SectionProperties Properties()
    {
        var gross = SectionProperties.Of(Outline());
        var clearWeb = Depth - TopFlangeThickness - BottomFlangeThickness - TopTaper / 2 - BottomTaper / 2;
        var torsion = Rectangle.TorsionConstant(TopFlangeWidth, TopFlangeThickness + TopTaper / 2)
            + Rectangle.TorsionConstant(clearWeb, WebThickness)
            + Rectangle.TorsionConstant(BottomFlangeWidth, BottomFlangeThickness + BottomTaper / 2);
        return gross with { TorsionConstant = torsion };
    }
}
