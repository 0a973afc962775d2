using System.Globalization;
using System.Text;

namespace Pravik.Exchange.Dxf;

/// <summary>
/// Writes drawings as DXF text (release 12, the open interchange form that every drawing program reads): lines, open polylines, circles and
/// texts on layers, in metres, x right and y up.
/// </summary>
public sealed class DxfWriter
{
    private readonly StringBuilder entities = new();
    private readonly SortedDictionary<string, int> layers = new(StringComparer.Ordinal);

    /// <summary>Makes a layer with a colour of the standard index; entities on other layers make theirs in black.</summary>
    public void Layer(string name, int colour) => layers[name] = colour;

    /// <summary>A straight line.</summary>
    public void Line(string layer, double x1, double y1, double x2, double y2)
    {
        Begin("LINE", layer);
        Place(10, x1, y1);
        Place(11, x2, y2);
    }

    /// <summary>Lines from point to point.</summary>
    public void Polyline(string layer, IReadOnlyList<(double X, double Y)> points)
    {
        for (var i = 1; i < points.Count; i++)
            Line(layer, points[i - 1].X, points[i - 1].Y, points[i].X, points[i].Y);
    }

    /// <summary>A circle.</summary>
    public void Circle(string layer, double x, double y, double radius)
    {
        Begin("CIRCLE", layer);
        Place(10, x, y);
        Pair(40, radius);
    }

    /// <summary>A text that begins at a point, with a height (m). Characters beyond ASCII are written by their code.</summary>
    public void Text(string layer, double x, double y, double height, string text)
    {
        Begin("TEXT", layer);
        Place(10, x, y);
        Pair(40, height);
        Pair(1, string.Concat(text.Select(c => c < 128 ? $"{c}" : $"\\U+{(int)c:X4}")));
    }

    /// <summary>The file.</summary>
    public string Finish()
    {
        var text = new StringBuilder();
        void Write(params string[] lines) => text.AppendJoin("\r\n", lines).Append("\r\n");
        Write("0", "SECTION", "2", "HEADER", "9", "$ACADVER", "1", "AC1009", "0", "ENDSEC");
        Write("0", "SECTION", "2", "TABLES", "0", "TABLE", "2", "LAYER", "70", $"{layers.Count}");
        foreach (var (name, colour) in layers)
            Write("0", "LAYER", "2", name, "70", "0", "62", $"{colour}", "6", "CONTINUOUS");
        Write("0", "ENDTAB", "0", "ENDSEC", "0", "SECTION", "2", "ENTITIES");
        text.Append(entities);
        Write("0", "ENDSEC", "0", "EOF");
        return text.ToString();
    }

    private void Begin(string kind, string layer)
    {
        layers.TryAdd(layer, 7);
        Pair(0, kind);
        Pair(8, layer);
    }

    private void Place(int code, double x, double y)
    {
        Pair(code, x);
        Pair(code + 10, y);
        Pair(code + 20, 0);
    }

    private void Pair(int code, double value) => Pair(code, value.ToString("0.######", CultureInfo.InvariantCulture));

    private void Pair(int code, string value) => entities.Append(CultureInfo.InvariantCulture, $"{code}\r\n{value}\r\n");
}
