using System.Xml;

namespace Pravik.Exchange;

/// <summary>Pictures that can be laid under a drawing: PNG, JPEG, SVG.</summary>
public static class PictureFile
{
    /// <summary>Largest picture that is taken (bytes).</summary>
    public const int Longest = 4 << 20;

    private static ReadOnlySpan<byte> Png => [0x89, (byte)'P', (byte)'N', (byte)'G', 0x0D, 0x0A, 0x1A, 0x0A];

    /// <summary>
    /// The media type of a picture by what it holds, whatever its name says: PNG and JPEG by their first bytes, SVG by the name of its
    /// outermost element. Null for anything else, for damaged XML and for XML with a document type.
    /// </summary>
    public static string? KindOf(byte[] content) =>
        content.AsSpan().StartsWith(Png) ? "image/png"
        : content is [0xFF, 0xD8, 0xFF, ..] ? "image/jpeg"
        : IsSvg(content) ? "image/svg+xml"
        : null;

    private static bool IsSvg(byte[] content)
    {
        var settings = new XmlReaderSettings { DtdProcessing = DtdProcessing.Prohibit, XmlResolver = null };
        try
        {
            using var reader = XmlReader.Create(new MemoryStream(content), settings);
            if (reader.MoveToContent() != XmlNodeType.Element || reader.LocalName != "svg")
                return false;
            while (reader.Read()) { }
            return true;
        }
        catch (XmlException)
        {
            return false;
        }
    }
}
