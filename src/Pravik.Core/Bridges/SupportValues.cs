using System.Collections.Immutable;
using Pravik.Core.Units;

namespace Pravik.Core.Bridges;

/// <summary>
/// A size of supports: name, words, usual value and bounds (m, rad, slopes, counts), and to which supports it belongs. Without a usual
/// value it is left to geometry.
/// </summary>
public sealed record SupportSize(
    string Name,
    string Words,
    string Group,
    double? Usual,
    double Least,
    double Greatest,
    Func<SupportValues, bool> Belongs,
    string Help = "",
    QuantityKind Kind = QuantityKind.Length
);

/// <summary>A choice of supports: name, words, what can be chosen (the first is usual), and to which supports it belongs.</summary>
public sealed record SupportChoice(
    string Name,
    string Words,
    string Group,
    Func<SupportValues, bool> Belongs,
    ImmutableArray<(string Value, string Words)> Values,
    string Help = ""
);

/// <summary>Where a value of a support comes from.</summary>
public enum ValueSource
{
    /// <summary>The usual value.</summary>
    Usual,

    /// <summary>The support's own value.</summary>
    Own,

    /// <summary>From the support that this one follows.</summary>
    Followed,

    /// <summary>From another size of the bridge.</summary>
    Linked,
}

/// <summary>The values of a support: its own, those it follows, and the usual ones.</summary>
public sealed class SupportValues(IReadOnlyDictionary<string, Support> supports, int axis, bool isAbutment, bool isJoint)
{
    private const int Deepest = 40;
    private const double Degree = Math.PI / 180;

    /// <summary>Number of the axis.</summary>
    public int Axis { get; } = axis;

    /// <summary>Whether it is an abutment.</summary>
    public bool IsAbutment { get; } = isAbutment;

    /// <summary>Whether the deck is parted over it.</summary>
    public bool IsJoint { get; } = isJoint;

    /// <summary>All choices of a support.</summary>
    public static ImmutableArray<SupportChoice> AllChoices { get; } =
    [
        new("abutment", "Abutment", "Form", v => v.IsAbutment, [("bankSeat", "Bank seat"), ("wall", "Wall"), ("piled", "Seat on piles")]),
        new(
            "pier",
            "Pier",
            "Form",
            v => !v.IsAbutment,
            [("columns", "Columns and crosshead"), ("hammerhead", "Hammerhead"), ("wall", "Wall"), ("pileBent", "Pile bent")]
        ),
        new(
            "columnShape",
            "Columns are",
            "Columns",
            v => v.HasColumns,
            [("round", "Round"), ("rectangular", "Rectangular"), ("obround", "Obround")]
        ),
        new(
            "wings",
            "Wing walls",
            "Wing walls",
            v => v.IsAbutment,
            [("parallel", "Along the road"), ("splayed", "Splayed"), ("square", "In line with the abutment"), ("none", "None")]
        ),
        new(
            "foundation",
            "Foundation",
            "Foundation",
            v => !v.Is("pier", "pileBent") && !v.Is("abutment", "piled"),
            [("pad", "Pad"), ("combined", "One pad for all"), ("pileCap", "Cap on piles"), ("shaft", "Bored shafts")]
        ),
        new("soil", "Ground carries it", "Foundation", _ => true, [("fixed", "Rigidly"), ("springs", "As springs")]),
    ];

    /// <summary>All sizes of a support.</summary>
    public static ImmutableArray<SupportSize> AllSizes { get; } =
    [
        new(
            "rows",
            "Rows of bearings",
            "Bearings",
            null,
            1,
            2,
            v => !v.IsAbutment,
            "Two rows: each girder end has its own bearing.",
            QuantityKind.Count
        ),
        new(
            "bearingDistance",
            "Axis to bearings",
            "Bearings",
            null,
            0,
            3,
            _ => true,
            "From the axis to the middle of the bearing, along the girder.",
            QuantityKind.Size
        ),
        new(
            "leastPlinth",
            "Least plinth height",
            "Bearings",
            0.10,
            0,
            2,
            _ => true,
            "The shelf lies this far below the lowest plinth top, unless its level is given.",
            QuantityKind.Size
        ),
        new(
            "plinthMargin",
            "Plinth around bearing",
            "Bearings",
            0.10,
            0,
            1,
            _ => true,
            "How far the plinth is wider than the bearing on each side.",
            QuantityKind.Size
        ),
        new(
            "shelfLevel",
            "Shelf level",
            "Bearings",
            null,
            -500,
            9000,
            _ => true,
            "Level on which plinths stand. Empty: it follows from the least plinth."
        ),
        new(
            "seatFront",
            "Axis to front face",
            "Seat",
            0.70,
            0.1,
            5,
            v => v.IsAbutment,
            "From the axis to the front of the abutment, square to it.",
            QuantityKind.Size
        ),
        new(
            "backGap",
            "Deck end to back wall",
            "Seat",
            0.05,
            0,
            1,
            v => v.IsAbutment,
            "Gap of the joint, square to the axis.",
            QuantityKind.Size
        ),
        new("beamDepth", "Depth of the seat beam", "Seat", 1.0, 0.2, 6, v => v.IsAbutment, "Below the shelf.", QuantityKind.Size),
        new("backWall", "Back wall", "Seat", 0.40, 0.1, 3, v => v.IsAbutment, "Thickness.", QuantityKind.Size),
        new(
            "sideMargin",
            "Beyond the deck's edge",
            "Seat",
            0,
            -2,
            5,
            v => v.IsAbutment,
            "How far the abutment is wider than the deck on each side, along the axis.",
            QuantityKind.Size
        ),
        new(
            "stem",
            "Wall thickness",
            "Seat",
            1.0,
            0.2,
            6,
            v => v.Is("abutment", "wall"),
            "Of the wall below the seat beam.",
            QuantityKind.Size
        ),
        new("wingLength", "Length", "Wing walls", 4, 0.5, 40, v => v.IsAbutment && !v.Is("wings", "none"), "From the back wall."),
        new("wingThickness", "Thickness", "Wing walls", 0.40, 0.1, 3, v => v.IsAbutment && !v.Is("wings", "none"), "", QuantityKind.Size),
        new(
            "wingAngle",
            "Splay",
            "Wing walls",
            45 * Degree,
            0,
            90 * Degree,
            v => v.Is("wings", "splayed"),
            "From the direction of the road, outward.",
            QuantityKind.Angle
        ),
        new("approachLength", "Approach slab, length", "Approach", 4, 0, 20, v => v.IsAbutment, "0 for none."),
        new(
            "approachThickness",
            "Approach slab, thickness",
            "Approach",
            0.30,
            0.1,
            1.5,
            v => v.IsAbutment && v.Size("approachLength") > 0,
            "",
            QuantityKind.Size
        ),
        new("capWidth", "Width along the road", "Crosshead", 1.4, 0.3, 8, v => !v.IsAbutment, "Square to the axis.", QuantityKind.Size),
        new("capDepth", "Depth", "Crosshead", 1.2, 0.3, 8, v => !v.IsAbutment, "", QuantityKind.Size),
        new(
            "capEndDepth",
            "Depth at its ends",
            "Crosshead",
            0.8,
            0.2,
            8,
            v => !v.IsAbutment,
            "The soffit rises to it outside the outer columns.",
            QuantityKind.Size
        ),
        new(
            "capOverhang",
            "Beyond the outer girders",
            "Crosshead",
            0.6,
            0,
            10,
            v => !v.IsAbutment,
            "From the centre line of the outer girder to the end, along the axis.",
            QuantityKind.Size
        ),
        new("columns", "Number", "Columns", 3, 1, 20, v => v.Is("pier", "columns") || v.Is("pier", "pileBent"), "", QuantityKind.Count),
        new(
            "columnSpacing",
            "Spacing",
            "Columns",
            null,
            0.3,
            30,
            v => (v.Is("pier", "columns") || v.Is("pier", "pileBent")) && v.Size("columns") > 1,
            "Along the axis. Empty: the outer columns stand half a spacing inside the outer girders."
        ),
        new("columnWidth", "Width, diameter", "Columns", 1.0, 0.2, 15, v => v.HasColumns, "Along the axis, at the top.", QuantityKind.Size),
        new(
            "columnLength",
            "Length",
            "Columns",
            1.0,
            0.2,
            8,
            v => v.HasColumns && !v.Is("columnShape", "round"),
            "Square to the axis, at the top.",
            QuantityKind.Size
        ),
        new(
            "columnTaper",
            "Widening downward",
            "Columns",
            0,
            -0.1,
            0.2,
            v => v.HasColumns,
            "Gain of width per height, both ways.",
            QuantityKind.Slope
        ),
        new("wallThickness", "Thickness", "Wall", 0.8, 0.2, 6, v => v.Is("pier", "wall"), "Square to the axis.", QuantityKind.Size),
        new(
            "foundingDepth",
            "Founding depth",
            "Foundation",
            1.5,
            0,
            50,
            v => !v.IsSeat,
            "From the lowest ground under it to its underside."
        ),
        new(
            "foundingLevel",
            "Founding level",
            "Foundation",
            null,
            -500,
            9000,
            v => !v.IsSeat,
            "Level of the underside, in place of a depth below the ground."
        ),
        new(
            "height",
            "Height without ground",
            "Foundation",
            6,
            0.5,
            200,
            v => !v.IsSeat,
            "From the shelf to the underside, used only where there is no ground."
        ),
        new("footLength", "Length along the road", "Foundation", 3.6, 0.3, 40, v => v.HasFooting, "Square to the axis."),
        new("footMargin", "Projection on each side", "Foundation", 0.8, 0, 15, v => v.HasFooting, "On each side, along the axis."),
        new(
            "footThickness",
            "Thickness",
            "Foundation",
            1.0,
            0.2,
            8,
            v => !v.Is("abutment", "piled"),
            "From the underside to the top; what stands on it begins there.",
            QuantityKind.Size
        ),
        new("pilesAlong", "Piles along the road", "Piles", 2, 1, 20, v => v.HasPiles, "", QuantityKind.Count),
        new("pilesAcross", "Piles along the axis", "Piles", 5, 1, 40, v => v.HasPiles, "", QuantityKind.Count),
        new("pileDiameter", "Pile diameter", "Piles", 0.75, 0.1, 4, v => v.HasPiles || v.Is("foundation", "shaft"), "", QuantityKind.Size),
        new("pileSpacing", "Pile spacing", "Piles", null, 0.2, 15, v => v.HasPiles, "Empty: three diameters."),
        new(
            "pileLength",
            "Pile length",
            "Piles",
            12,
            0.5,
            100,
            v => v.HasPiles || v.Is("foundation", "shaft") || v.Is("pier", "pileBent"),
            "Below the underside."
        ),
        new(
            "pileRake",
            "Rake of outer rows",
            "Piles",
            0,
            0,
            0.5,
            v => v.HasPiles,
            "Outward, per depth; 1:6 and the like.",
            QuantityKind.Slope
        ),
        new(
            "subgrade",
            "Subgrade modulus",
            "Foundation",
            40e6,
            1e5,
            1e10,
            v => v.Is("soil", "springs"),
            "Pressure per settlement under pads.",
            QuantityKind.UnitWeight
        ),
    ];

    private bool HasColumns => Is("pier", "columns") || Is("pier", "hammerhead") || Is("pier", "pileBent");

    private bool HasFooting => !Is("pier", "pileBent") && !(Is("foundation", "shaft") && !Is("abutment", "piled"));

    /// <summary>Whether it is a seat in the bank, founded right below its beam.</summary>
    public bool IsSeat => Is("abutment", "bankSeat") || Is("abutment", "piled");

    /// <summary>Whether piles carry it: under a cap, or straight under the seat beam.</summary>
    public bool HasPiles => Is("abutment", "piled") || (!Is("pier", "pileBent") && Is("foundation", "pileCap"));

    /// <summary>The chosen value, or the usual one; empty where the choice does not belong to this support.</summary>
    public string Choice(string name)
    {
        var choice = AllChoices.First(c => c.Name == name);
        return !choice.Belongs(this) ? "" : Find(Axis, name, s => s.Choices).Value ?? choice.Values[0].Value;
    }

    /// <summary>Whether a choice has a value.</summary>
    public bool Is(string name, string value) =>
        name switch
        {
            "abutment" when !IsAbutment => false,
            "pier" when IsAbutment => false,
            _ => Choice(name) == value,
        };

    /// <summary>
    /// Name of the bearing type at a girder (from 1), in the row ahead of the axis or behind it; null for the first of the bridge.
    /// </summary>
    public string? Bearing(int girder, bool isAhead) =>
        (isAhead ? Find(Axis, $"bearingAhead-{girder}", s => s.Choices).Value ?? Find(Axis, "bearingAhead", s => s.Choices).Value : null)
        ?? Find(Axis, $"bearing-{girder}", s => s.Choices).Value
        ?? Find(Axis, "bearing", s => s.Choices).Value;

    /// <summary>A size, or its usual value; throws <see cref="InvalidOperationException"/> for one that is left to geometry.</summary>
    public double Size(string name) =>
        Own(name) ?? AllSizes.First(s => s.Name == name).Usual ?? throw new InvalidOperationException($"{name} has no usual value.");

    /// <summary>A size where it is given, here or where this support follows; else null.</summary>
    public double? Own(string name) => FindSize(Axis, name, 0).Value;

    /// <summary>Where the value of a size comes from.</summary>
    public ValueSource Source(string name) =>
        AllChoices.Any(c => c.Name == name) ? Find(Axis, name, s => s.Choices).Source : FindSize(Axis, name, 0).Source;

    /// <summary>Rows of bearings: one, or two where the deck is parted.</summary>
    public int Rows => IsAbutment ? 1 : (int)(Own("rows") ?? (IsJoint ? 2 : 1));

    /// <summary>From the axis to the bearings along the girder (m): none for a single row.</summary>
    public double BearingDistance =>
        Own("bearingDistance") is { } own ? (Rows == 2 || IsAbutment ? own : 0)
        : Rows == 2 ? 0.5
        : 0;

    /// <summary>Whether following leads from a support or a size back to itself.</summary>
    public bool IsCircular => FindSize(Axis, "*", 0).IsCircular || AllSizes.Any(s => FindSize(Axis, s.Name, 0).IsCircular);

    private (double? Value, ValueSource Source, bool IsCircular) FindSize(int at, string name, int depth)
    {
        if (depth > Deepest)
            return (null, ValueSource.Usual, true);
        if (!supports.TryGetValue($"{at}", out var support))
            return (null, ValueSource.Usual, false);
        if (support.Links.TryGetValue(name, out var link) && link is not null && LinkTarget(link) is { } target)
        {
            var found = FindSize(target.Axis, target.Size, depth + 1);
            return (
                found.Value ?? (found.IsCircular ? null : AllSizes.FirstOrDefault(s => s.Name == target.Size)?.Usual),
                ValueSource.Linked,
                found.IsCircular
            );
        }
        if (support.Sizes.TryGetValue(name, out var own))
            return (own, ValueSource.Own, false);
        if (!int.TryParse(support.Follows, out var other))
            return (null, ValueSource.Usual, false);
        var followed = FindSize(other, name, depth + 1);
        return followed with { Source = followed.Value is null ? ValueSource.Usual : ValueSource.Followed };
    }

    /// <summary>Axis and size of a link such as <c>2/capWidth</c>; null for other text.</summary>
    public static (int Axis, string Size)? LinkTarget(string link) =>
        link.Split('/') is [var axis, var size] && int.TryParse(axis, out var number) && AllSizes.Any(s => s.Name == size)
            ? (number, size)
            : null;

    private (string? Value, ValueSource Source) Find(int at, string name, Func<Support, IReadOnlyDictionary<string, string>> of)
    {
        for (var depth = 0; depth <= Deepest && supports.TryGetValue($"{at}", out var support); depth++)
        {
            if (of(support).TryGetValue(name, out var own))
                return (own, depth == 0 ? ValueSource.Own : ValueSource.Followed);
            if (!int.TryParse(support.Follows, out at))
                break;
        }
        return (null, ValueSource.Usual);
    }
}
