namespace Pravik.Core.Trusses;

/// <summary>A picture that lies faintly under the sketch, to be traced. Nothing follows from it; its proportions are its own.</summary>
public sealed record TrussPicture
{
    /// <summary>By which the picture is kept: 32 digits, hexadecimal. A file of the scheme does not hold the picture.</summary>
    public string Hash { get; init; } = "";

    /// <summary>Place of its left edge along the opening (m).</summary>
    public double X { get; init; }

    /// <summary>Level of its upper edge (m).</summary>
    public double Top { get; init; }

    /// <summary>Its width (m).</summary>
    public double Width { get; init; } = 40;

    /// <summary>Whether a text is such a hash.</summary>
    public static bool IsHash(string text) => text.Length == 32 && text.All(char.IsAsciiHexDigitLower);
}
