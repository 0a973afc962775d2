using Pravik.Core.Bridges;

namespace Pravik.Core.Places;

/// <summary>
/// The name by which a part of the bridge is picked in drawings, models and lists: a path of the document where the part stands in it, else
/// one under <c>/parts</c>. Numbers in it are those that people read.
/// </summary>
/// <param name="Value">The path.</param>
public readonly record struct PartPath(string Value)
{
    /// <summary>A girder in a span.</summary>
    public static PartPath Girder(GirderLine girder, SpanIndex span) => new($"/parts/girders/{girder.Number}/spans/{span.Number}");

    /// <summary>A support axis.</summary>
    public static PartPath Axis(AxisIndex axis) => new($"/parts/axes/{axis.Number}");

    /// <summary>A support axis.</summary>
    public static PartPath Axis(AxisPlace axis) => Axis(axis.Number - 1);

    /// <summary>What stands at an axis.</summary>
    public static PartPath Support(AxisPlace axis) => new($"/parts/supports/{axis.Number}");

    /// <summary>A unit of the deck, by the number of its first axis.</summary>
    public static PartPath Unit(int number) => new($"/parts/units/{number}");

    /// <summary>A placed diaphragm, by its place in the list.</summary>
    public static PartPath Diaphragm(int index) => new($"/parts/diaphragms/{index + 1}");

    /// <summary>A stiffener, by its place in the list.</summary>
    public static PartPath Stiffener(int index) => new($"/parts/stiffeners/{index + 1}");

    /// <summary>A member, shell or joint of the model, by its name.</summary>
    public static PartPath OfModel(string id) => new($"/parts/model/{id}");

    /// <summary>The result at a point of a girder.</summary>
    public static PartPath Result(GirderIndex girder, SpanIndex span, int line) =>
        new($"/parts/results/{girder.Number}/{span.Number}/{line}");

    /// <summary>The girder in a span that a path names, where the bridge has it.</summary>
    public static (GirderLine Girder, SpanIndex Span)? GirderAt(string? path, BridgeGeometry geometry) =>
        path?.Split('/') is ["", "parts", "girders", var number, "spans", var place]
        && int.TryParse(number, out var girder)
        && int.TryParse(place, out var span)
        && geometry.Girders.FirstOrDefault(g => g.Number == girder) is { } line
        && span >= 1
        && span <= geometry.SpanCount
        && line.IsIn(span - 1)
            ? (line, span - 1)
            : null;

    /// <summary>The path.</summary>
    public static implicit operator string(PartPath path) => path.Value;

    /// <inheritdoc/>
    public override string ToString() => Value;
}
