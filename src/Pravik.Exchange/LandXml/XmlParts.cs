using System.Text;
using System.Xml;
using System.Xml.Linq;

namespace Pravik.Exchange.LandXml;

/// <summary>The line of the file in which an element begins.</summary>
internal sealed record LineOf(int Number);

/// <summary>
/// Parts of a file out of a stream, within bounds: elements at most <see cref="Deepest"/> deep, and stopped when asked to. Throws
/// <see cref="InvalidDataException"/> beyond the bounds.
/// </summary>
internal static class XmlParts
{
    /// <summary>Elements within elements.</summary>
    public const int Deepest = 64;

    private const int LongestText = 60_000_000;

    /// <summary>The next node.</summary>
    public static bool Next(XmlReader xml, CancellationToken cancel)
    {
        cancel.ThrowIfCancellationRequested();
        if (!xml.Read())
            return false;
        if (xml.Depth > Deepest)
            throw new InvalidDataException($"elements lie more than {Deepest} deep in line {LineAt(xml)}.");
        return true;
    }

    /// <summary>Leaves out the element that the reader stands on, and stands behind it.</summary>
    public static void Skip(XmlReader xml, CancellationToken cancel)
    {
        var (depth, isEmpty) = (xml.Depth, xml.IsEmptyElement);
        while (!isEmpty && Next(xml, cancel) && xml.Depth > depth) { }
        Next(xml, cancel);
    }

    /// <summary>The text of a simple element, leaving the reader on its end.</summary>
    public static string Text(XmlReader xml, CancellationToken cancel)
    {
        if (xml.IsEmptyElement)
            return "";
        var (depth, text) = (xml.Depth, new StringBuilder());
        while (Next(xml, cancel) && xml.Depth > depth)
            Take(xml, text);
        return text.ToString();
    }

    /// <summary>The element that the reader stands on with all in it; the reader then stands behind it.</summary>
    public static XElement Whole(XmlReader xml, CancellationToken cancel)
    {
        var depth = xml.Depth;
        var root = Begin(xml);
        var open = new Stack<(XElement Element, StringBuilder Text)>();
        if (!xml.IsEmptyElement)
            open.Push((root, new()));
        while (open.Count > 0 && Next(xml, cancel))
        {
            switch (xml.NodeType)
            {
                case XmlNodeType.Element:
                    var child = Begin(xml);
                    open.Peek().Element.Add(child);
                    if (!xml.IsEmptyElement)
                        open.Push((child, new()));
                    break;
                case XmlNodeType.EndElement:
                    var (element, text) = open.Pop();
                    if (text.Length > 0)
                        element.Add(text.ToString());
                    break;
                default:
                    Take(xml, open.Peek().Text);
                    break;
            }
        }
        Next(xml, cancel);
        return root;
    }

    private static XElement Begin(XmlReader xml)
    {
        var element = new XElement(XName.Get(xml.LocalName, xml.NamespaceURI));
        element.AddAnnotation(new LineOf(LineAt(xml)));
        for (var more = xml.MoveToFirstAttribute(); more; more = xml.MoveToNextAttribute())
        {
            if (xml.NamespaceURI != XNamespace.Xmlns.NamespaceName)
                element.SetAttributeValue(XName.Get(xml.LocalName, xml.NamespaceURI), xml.Value);
        }
        xml.MoveToElement();
        return element;
    }

    private static void Take(XmlReader xml, StringBuilder text)
    {
        if (xml.NodeType is not (XmlNodeType.Text or XmlNodeType.CDATA or XmlNodeType.SignificantWhitespace))
            return;
        if (text.Length + xml.Value.Length > LongestText)
            throw new InvalidDataException($"the text up to line {LineAt(xml)} is longer than any of a road.");
        text.Append(xml.Value);
    }

    private static int LineAt(XmlReader xml) => (xml as IXmlLineInfo)?.LineNumber ?? 0;
}
