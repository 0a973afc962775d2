using System.Collections.Immutable;
using Pravik.Core.Geometry;

namespace Pravik.Drawings;

/// <summary>How a line is drawn: what it stands for decides its weight, dashes and colour.</summary>
public enum Pen
{
    /// <summary>No line.</summary>
    None,

    /// <summary>Outline of what is cut.</summary>
    Cut,

    /// <summary>Edge that is seen.</summary>
    Edge,

    /// <summary>Lesser edge: strip boundaries, construction.</summary>
    Light,

    /// <summary>Edge behind or below something.</summary>
    Hidden,

    /// <summary>Axes and the road line, chain-dotted.</summary>
    Axis,

    /// <summary>Dimension lines and ticks.</summary>
    Dimension,

    /// <summary>Grid lines of a diagram.</summary>
    Grid,

    /// <summary>What is picked, or the station cursor.</summary>
    Active,

    /// <summary>A line of resistance.</summary>
    Resistance,

    /// <summary>Load.</summary>
    Load,

    /// <summary>Outline of what fails.</summary>
    Fails,

    /// <summary>What was there before.</summary>
    Former,
}

/// <summary>How an area is filled.</summary>
public enum Fill
{
    /// <summary>Nothing.</summary>
    None,

    /// <summary>As the sheet.</summary>
    Sheet,

    /// <summary>Light paper.</summary>
    Paper,

    /// <summary>Concrete in section: fine hatching.</summary>
    Concrete,

    /// <summary>Precast concrete in section.</summary>
    Precast,

    /// <summary>Surfacing.</summary>
    Surfacing,

    /// <summary>Ink.</summary>
    Ink,

    /// <summary>Pale ink.</summary>
    Soft,

    /// <summary>What is picked.</summary>
    Picked,

    /// <summary>Between greatest and least.</summary>
    Envelope,

    /// <summary>Lane 1 of traffic.</summary>
    LaneOne,

    /// <summary>Other lanes.</summary>
    Lane,

    /// <summary>What bears a load.</summary>
    Track,

    /// <summary>How near a bar in tension is to its limit.</summary>
    Tension,

    /// <summary>The rest of it.</summary>
    TensionRest,

    /// <summary>How near a bar in compression is to its limit.</summary>
    Compression,

    /// <summary>The rest of it.</summary>
    CompressionRest,

    /// <summary>Utilisation up to 0.5, to 0.8, to 0.95 and to 1.</summary>
    Use1,

    /// <summary>Utilisation, second band.</summary>
    Use2,

    /// <summary>Utilisation, third band.</summary>
    Use3,

    /// <summary>Utilisation above 1.</summary>
    Use4,

    /// <summary>Utilisation above 1: hatched.</summary>
    UseFails,

    /// <summary>Not known, or out of date.</summary>
    UseUnknown,

    /// <summary>Bands of a contour plot from the least to the greatest value; the middle one holds 0.</summary>
    Contour1,

    /// <summary>Second band of a contour.</summary>
    Contour2,

    /// <summary>Third band.</summary>
    Contour3,

    /// <summary>Fourth band.</summary>
    Contour4,

    /// <summary>Fifth band.</summary>
    Contour5,

    /// <summary>Sixth band.</summary>
    Contour6,

    /// <summary>Seventh band.</summary>
    Contour7,

    /// <summary>Eighth band.</summary>
    Contour8,

    /// <summary>Highest band.</summary>
    Contour9,
}

/// <summary>How a text is set.</summary>
public enum TextKind
{
    /// <summary>Plain.</summary>
    Plain,

    /// <summary>Strong.</summary>
    Strong,

    /// <summary>Pale.</summary>
    Soft,

    /// <summary>Figures of equal width.</summary>
    Number,

    /// <summary>The same, pale.</summary>
    SoftNumber,

    /// <summary>A heading.</summary>
    Title,
}

/// <summary>Which end of a text lies at its point.</summary>
public enum Anchor
{
    /// <summary>Its beginning.</summary>
    Start,

    /// <summary>Its middle.</summary>
    Middle,

    /// <summary>Its end.</summary>
    End,
}

/// <summary>
/// One mark of a drawing, in millimetres on paper, x right and y down. <c>Part</c> names what it belongs to, so that it can be picked.
/// </summary>
public abstract record Mark
{
    /// <summary>The part of the bridge that it shows, by which it is picked; null for none.</summary>
    public string? Part { get; init; }
}

/// <summary>A line, or an outline when closed.</summary>
public sealed record Stroke(ImmutableArray<Point> Points, bool Closed, Pen Pen, Fill Fill) : Mark
{
    /// <summary>Where its points swing to and back, on a screen that can show it; empty for a line at rest.</summary>
    public ImmutableArray<Point> SwingsTo { get; init; } = [];
}

/// <summary>A circle.</summary>
public sealed record Disc(Point Centre, double Radius, Pen Pen, Fill Fill) : Mark;

/// <summary>
/// A picture kept elsewhere, faint, by its upper left corner and its width; its proportions are its own. Shown on screens alone: not in
/// PDF and DXF.
/// </summary>
public sealed record Picture(Point At, double Width, string Address) : Mark;

/// <summary>Upright text on its baseline; with a halo where it must stay readable over lines.</summary>
public sealed record Label(Point At, string Text, TextKind Kind, Anchor Anchor, double Height, bool Halo) : Mark
{
    /// <summary>Written after the text, smaller and lower. Only for text that starts at its point.</summary>
    public string Subscript { get; init; } = "";
}

/// <summary>
/// The way from the position along the road to x on the drawing, for views that have one: x = <c>X0</c> + <c>Scale</c>·(station −
/// <c>Station0</c>).
/// </summary>
public sealed record StationScale(double X0, double Station0, double Scale);

/// <summary>A point of the bridge on a drawing: its place on the paper, its place in space and what it is.</summary>
public sealed record Snap(Point At, Point3 World, string Name);

/// <summary>A drawing is data: its size in millimetres and its marks in order, later ones on top.</summary>
public sealed record Drawing(double Width, double Height, ImmutableArray<Mark> Marks)
{
    /// <summary>What it shows, for its caption and for readers who cannot see it.</summary>
    public string Title { get; init; } = "";

    /// <summary>Scale and direction of view, shown beside the title.</summary>
    public string Note { get; init; } = "";

    /// <summary>How stations lie across the drawing, where they do.</summary>
    public StationScale? Stations { get; init; }

    /// <summary>For a drawing of a section: where its origin lies (mm) and millimetres for each metre; up is against y.</summary>
    public PlaneScale? Plane { get; init; }

    /// <summary>Points that measuring catches, where they are on the paper and in space.</summary>
    public ImmutableArray<Snap> Snaps { get; init; } = [];
}

/// <summary>Origin of a section on its drawing (mm) and millimetres for each metre.</summary>
public sealed record PlaneScale(double X0, double Y0, double Scale);
