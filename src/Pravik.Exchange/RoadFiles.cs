using System.Collections.Immutable;
using Pravik.Exchange.LandXml;

namespace Pravik.Exchange;

/// <summary>Reads files of roads and grounds of either kind.</summary>
public static class RoadFiles
{
    /// <summary>
    /// Reads a file by its content: LandXML where it begins with “&lt;”, else ground points as CSV. The stream must be able to go back.
    /// </summary>
    public static RoadFile Read(string name, Stream stream, CancellationToken cancel = default)
    {
        using var buffered = new BufferedStream(stream, 1 << 16);
        var first = new StreamReader(buffered, leaveOpen: true);
        var isXml = (char)first.Peek() is '<' or '\uFEFF';
        stream.Position = 0;
        buffered.Position = 0;
        if (isXml)
            return LandXmlReader.Read(buffered, cancel);
        var (ground, findings) = GroundPoints.Read(new StreamReader(buffered), cancel);
        return new([], ground is null ? [] : [new(name, ground)], 1, ImmutableSortedDictionary<string, int>.Empty, [.. findings]);
    }
}
