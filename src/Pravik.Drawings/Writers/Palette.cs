namespace Pravik.Drawings.Writers;

/// <summary>Colour (#RRGGBB), width (mm) and dashes (mm) of a pen.</summary>
internal sealed record PenLook(string Colour, double Width, double[] Dashes);

/// <summary>The look of pens, fills and text, the same on screen, SVG and PDF.</summary>
internal static class Palette
{
    /// <summary>Height of a subscript over that of its text.</summary>
    public const double SubscriptSize = 0.72;

    public const string Ink = "#17242B";
    public const string SoftInk = "#56625F";
    public const string Active = "#0F7B6C";
    public const string Madder = "#A3243B";

    public static PenLook? Of(Pen pen) =>
        pen switch
        {
            Pen.Cut => new(Ink, 0.45, []),
            Pen.Edge => new(Ink, 0.25, []),
            Pen.Light => new("#8B9394", 0.18, []),
            Pen.Hidden => new(SoftInk, 0.2, [1.4, 0.8]),
            Pen.Axis => new(Ink, 0.18, [3.2, 0.7, 0.6, 0.7]),
            Pen.Dimension => new(Ink, 0.15, []),
            Pen.Grid => new("#DDD8CB", 0.2, []),
            Pen.Active => new(Active, 0.42, []),
            Pen.Resistance => new(Ink, 0.38, [1.9, 0.8]),
            Pen.Former => new(Madder, 0.32, [1.8, 0.9]),
            Pen.Fails => new(Madder, 0.4, []),
            Pen.Load => new("#5B4B8A", 0.3, []),
            _ => null,
        };

    /// <summary>Base colour of a fill, and the colour of its hatching where it has one.</summary>
    public static (string Colour, string? Hatch)? Of(Fill fill) =>
        fill switch
        {
            Fill.Sheet => ("#FFFEFB", null),
            Fill.Paper => ("#FBF9F3", null),
            Fill.Concrete => ("#FBF9F3", "#C2BCAC"),
            Fill.Precast => ("#FFFEFB", null),
            Fill.Surfacing => ("#D5D1C5", null),
            Fill.Ink => (Ink, null),
            Fill.Soft => ("#ECE7DA", null),
            Fill.Picked => ("#DDEDE8", null),
            Fill.Envelope => ("#E3F0EC", null),
            Fill.LaneOne => ("#D9D3E8", null),
            Fill.Lane => ("#EBE7F2", null),
            Fill.Track => ("#5B4B8A", null),
            Fill.Tension => (Active, null),
            Fill.TensionRest => ("#D6E7E2", null),
            Fill.Compression => ("#5B4B8A", null),
            Fill.CompressionRest => ("#DDD8E9", null),
            Fill.Use1 => ("#D6E7E2", null),
            Fill.Use2 => ("#8CC0B5", null),
            Fill.Use3 => ("#3F9485", null),
            Fill.Use4 => ("#B7791F", null),
            Fill.UseFails => ("#F3DADD", Madder),
            Fill.UseUnknown => ("#E2DED2", null),
            Fill.Contour1 => ("#5B4B8A", null),
            Fill.Contour2 => ("#8A7DB0", null),
            Fill.Contour3 => ("#B7AED0", null),
            Fill.Contour4 => ("#DDD8E9", null),
            Fill.Contour5 => ("#FBF9F3", null),
            Fill.Contour6 => ("#D3E6E1", null),
            Fill.Contour7 => ("#8FC1B7", null),
            Fill.Contour8 => ("#479A8D", null),
            Fill.Contour9 => ("#0F7B6C", null),
            _ => null,
        };

    public static string Of(TextKind kind) => kind is TextKind.Soft or TextKind.SoftNumber ? SoftInk : Ink;

    public static bool IsNumber(TextKind kind) => kind is TextKind.Number or TextKind.SoftNumber;

    public static bool IsStrong(TextKind kind) => kind is TextKind.Strong or TextKind.Title;
}
