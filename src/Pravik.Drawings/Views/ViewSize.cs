namespace Pravik.Drawings.Views;

/// <summary>The paper that a view may use, in millimetres.</summary>
public readonly record struct ViewSize(double Width, double Height, double TextHeight = 2.9)
{
    private const double MillimetresPerPixel = 25.4 / 96;

    /// <summary>A part of the screen, at 96 pixels to the inch.</summary>
    public static ViewSize Pixels(double width, double height) => new(width * MillimetresPerPixel, height * MillimetresPerPixel);
}
