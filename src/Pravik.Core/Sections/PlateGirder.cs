namespace Pravik.Core.Sections;

/// <summary>A flange of a steel girder: its width and thickness (m).</summary>
public readonly record struct Flange(double Width, double Thickness)
{
    /// <summary>b·t (m²).</summary>
    public double Area => Width * Thickness;

    /// <summary>Elastic modulus of the flange bent sideways, t·b²/6 (m³).</summary>
    public double LateralModulus => Thickness * Width * Width / 6;

    /// <summary>Second moment of the flange about the web's axis, t·b³/12 (m⁴).</summary>
    public double LateralSecondMoment => Thickness * Math.Pow(Width, 3) / 12;

    /// <summary>b/(2·t).</summary>
    public double Slenderness => Width / (2 * Thickness);
}

/// <summary>A steel girder of two flanges and one web.</summary>
/// <param name="Top">The top flange.</param>
/// <param name="Bottom">The bottom flange.</param>
/// <param name="WebThickness">Thickness of the web (m).</param>
/// <param name="WebDepth">Depth of the web between the flanges (m).</param>
/// <param name="Bare">Properties of the steel alone, with the roots of a rolled shape.</param>
public sealed record PlateGirder(Flange Top, Flange Bottom, double WebThickness, double WebDepth, SectionProperties Bare)
{
    /// <summary>Whether it is welded of plates; else rolled.</summary>
    public bool IsWelded { get; init; }

    /// <summary>Depth over all (m).</summary>
    public double Depth => Bottom.Thickness + WebDepth + Top.Thickness;

    /// <summary>Area of the web (m²).</summary>
    public double WebArea => WebThickness * WebDepth;

    /// <summary>Slenderness of the web, D/t_w.</summary>
    public double WebSlenderness => WebDepth / WebThickness;

    /// <summary>The flange at the top or the bottom.</summary>
    public Flange FlangeAt(bool top) => top ? Top : Bottom;

    /// <summary>The plates of a made section; null where it is no girder of two flanges and one web.</summary>
    public static PlateGirder? Of(MadeSection section)
    {
        double Size(string name) => section.Shape.Size(name);
        // A law of depth changes the outline, not the sizes.
        double Web(double flanges) => section.Depth - flanges;
        return section.Shape.Family switch
        {
            "plateGirder" => new(
                new(Size("topWidth"), Size("topThickness")),
                new(Size("bottomWidth"), Size("bottomThickness")),
                Size("web"),
                Web(Size("topThickness") + Size("bottomThickness")),
                section.Bending
            )
            {
                IsWelded = true,
            },
            "rolled" => new(
                new(Size("width"), Size("flange")),
                new(Size("width"), Size("flange")),
                Size("web"),
                Web(2 * Size("flange")),
                section.Bending
            ),
            _ => null,
        };
    }
}
