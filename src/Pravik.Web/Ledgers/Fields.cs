using Pravik.Core.Bridges;
using Pravik.Core.Codes;
using Pravik.Core.Sections;
using Pravik.Core.Units;

namespace Pravik.Web.Ledgers;

/// <summary>All values that can be entered, by path.</summary>
public static class Fields
{
    private static readonly IReadOnlyList<Field> All =
    [
        Text("/name", "Bridge name"),
        Pick(
            "/basis/nationalSet",
            "National set",
            NationalValues.Names,
            "Which nationally determined values hold. Single values can be replaced below."
        ),
        new("/basis/units", "Units", EntryKind.Choice)
        {
            Choices = [new("metric", "m, mm, kN, MPa"), new("us", "ft, in, kip, ksi")],
            Help =
                "Units of the project: shown, and meant where an entry names none, unless a person has chosen other ones in the top line.",
        },
        Text("/basis/titles/project", "Project"),
        Text("/basis/titles/client", "Client"),
        Text("/basis/titles/office", "Office"),
        Text("/basis/titles/number", "Drawing number"),
        Text("/basis/titles/issue", "Issue"),
        Text("/basis/titles/drawn", "Drawn"),
        Text("/basis/titles/checked", "Checked"),
        .. new[] { "tandem1", "tandem2", "tandem3" }.Select(name => Own($"/basis/ownValues/{name}", name, QuantityKind.Force, "")),
        .. new[] { "lane1", "lane2", "lane3", "remaining", "footwayWithTraffic", "footwayAlone" }.Select(name =>
            Own($"/basis/ownValues/{name}", name, QuantityKind.AreaLoad, "")
        ),
        Own("/basis/ownValues/laneWidth", "laneWidth", QuantityKind.Length, ""),
        Own("/basis/ownValues/kerbHeight", "kerbHeight", QuantityKind.Size, ""),
        Own("/basis/ownValues/*", "National value", QuantityKind.Number, ""),
        Text("/road/name", "Road"),
        new("/road/entry", "Line entered as", EntryKind.Choice)
        {
            Choices = [new("elements", "Elements"), new("points", "Intersection points")],
            Help = "The other entry is kept.",
        },
        Q("/road/startStation", "First station", QuantityKind.Length, "Station at which the road line begins."),
        Q("/road/startEast", "Start, east", QuantityKind.Length, "Easting of that point."),
        Q("/road/startNorth", "Start, north", QuantityKind.Length, "Northing of that point."),
        Q("/road/azimuth", "Azimuth", QuantityKind.Angle, "Direction at the start, clockwise from north."),
        Q("/road/elements/*/length", "Length", QuantityKind.Length, "Length of the element."),
        Own(
            "/road/elements/*/startRadius",
            "Radius at start",
            QuantityKind.Length,
            "Empty for straight. Positive turns right looking ahead, negative left."
        ),
        Own(
            "/road/elements/*/endRadius",
            "Radius at end",
            QuantityKind.Length,
            "Like the radius at the start: an arc. Another one: a clothoid between the two."
        ),
        Q("/road/points/*/east", "East", QuantityKind.Length, "Easting of the point where the tangents meet."),
        Q("/road/points/*/north", "North", QuantityKind.Length, "Its northing."),
        Own("/road/points/*/radius", "Radius", QuantityKind.Length, "Empty for a kink, which only a straight line on needs."),
        Q("/road/points/*/transitionIn", "Transition in", QuantityKind.Length, "Length of the clothoid before the arc."),
        Q("/road/points/*/transitionOut", "Transition out", QuantityKind.Length, "Length of the clothoid after the arc."),
        Q("/road/profile/*/station", "Station", QuantityKind.Length, "Station where the grades meet."),
        Q("/road/profile/*/level", "Level", QuantityKind.Length, "Level where the grades meet."),
        Q(
            "/road/profile/*/curveLength",
            "Vertical curve",
            QuantityKind.Length,
            "Length of the parabola that rounds the point; 0 for none."
        ),
        Q(
            "/road/profile/*/grade",
            "Grade ahead",
            QuantityKind.Slope,
            "Rise over run to the next point; typing one sets the next level. 1:40 and 2.5 are the same."
        ),
        Q("/road/crossfalls/*/station", "Station", QuantityKind.Length, "Between entries crossfalls run straight."),
        Q("/road/crossfalls/*/left", "Left", QuantityKind.Slope, "Rise outward from the road line; negative falls away from it."),
        Q("/road/crossfalls/*/right", "Right", QuantityKind.Slope, "Rise outward from the road line; negative falls away from it."),
        Q("/road/equations/*/at", "At", QuantityKind.Length, "Running station of the equation."),
        Q("/road/equations/*/back", "Back", QuantityKind.Length, "Station shown just before it."),
        Q("/road/equations/*/ahead", "Ahead", QuantityKind.Length, "Station shown from it on."),
        Text("/crossings/*/name", "Name"),
        new("/crossings/*/kind", "Kind", EntryKind.Choice)
        {
            Choices = [new("road", "Road"), new("railway", "Railway"), new("path", "Path"), new("water", "Water")],
        },
        Q("/crossings/*/station", "Under station", QuantityKind.Length, "Station of the road line that its centre line passes under."),
        Q("/crossings/*/skew", "Skew", QuantityKind.Angle, "From the line square to the road, positive clockwise seen from above."),
        Q("/crossings/*/level", "Level", QuantityKind.Length, "Level of its surface under the road line."),
        Q("/crossings/*/grade", "Grade to the right", QuantityKind.Slope, "Rise over run, to the right of the road."),
        Q("/crossings/*/width", "Envelope, width", QuantityKind.Length, "Width that must be clear."),
        Q("/crossings/*/height", "Envelope, height", QuantityKind.Length, "Height that must be clear above its surface."),
        Q("/axes/firstStation", "First axis", QuantityKind.Length, "Station of the first support axis."),
        Q("/axes/lastStation", "Last axis", QuantityKind.Length, "Typing one stretches all spans alike."),
        Q("/axes/count", "Number of spans", QuantityKind.Count, "Typing one divides the overall length into equal spans."),
        Q("/axes/overall", "Overall length", QuantityKind.Length, "Typing one stretches all spans alike."),
        Q("/axes/stations/*", "Station", QuantityKind.Length, "Station of this axis; its neighbours stay."),
        Text("/axes/own/*/name", "Name") with
        {
            IsOwn = true,
        },
        Own("/axes/own/*/skew", "Skew", QuantityKind.Angle, "Own skew of this axis. Empty: as all."),
        Own("/axes/own/*/azimuth", "Direction", QuantityKind.Angle, "Direction of the axis clockwise from north, in place of a skew."),
        new("/axes/own/*/kind", "Kind", EntryKind.Choice)
        {
            Choices = [new("abutment", "Abutment"), new("pier", "Pier"), new("joint", "Pier, joint")],
            IsOwn = true,
            Help = "Over a joint the deck is parted: one unit ends and the next begins.",
        },
        new("/axes/spans", "Spans", EntryKind.Spans, QuantityKind.Length)
        {
            Help = "In one line along the road: 17.4 + 25.8 + 17.4, or 5*30.",
        },
        Q("/axes/spans/*", "Span", QuantityKind.Length, "Distance between two axes along the road line."),
        Q("/axes/skew", "Skew", QuantityKind.Angle, "From the line square to the road to the axis, positive clockwise seen from above."),
        Text("/deck/patterns/*/name", "Name"),
        Flag("/deck/patterns/*/superseded", "State", "current", "superseded") with
        {
            Help = "A superseded pattern stays in the units that have it; it is no longer meant for new ones.",
        },
        .. new[] { "left", "right" }.SelectMany(side => Strip($"/deck/patterns/*/{side}/*")),
        Q(
            "/deck/patterns/*/slab/thickness",
            "Slab thickness",
            QuantityKind.Size,
            "Thickness of the in-situ slab; the least one where the soffit is level."
        ),
        .. LawTable("/deck/patterns/*/slab/thicknesses", "Thickness", QuantityKind.Size),
        new("/deck/patterns/*/slab/soffit", "Soffit", EntryKind.Choice)
        {
            Choices = [new("parallel", "Parallel to the top"), new("level", "Level across")],
        },
        Own(
            "/deck/patterns/*/slab/edgeThickness",
            "Thickness at the edges",
            QuantityKind.Size,
            "Reached evenly over the width below. Empty: as everywhere."
        ),
        Q(
            "/deck/patterns/*/slab/edgeTaper",
            "Over a width of",
            QuantityKind.Length,
            "From the edge inward, where the thickness changes to that of the edge."
        ),
        Q(
            "/deck/patterns/*/slab/edgeInset",
            "Soffit's edge inset",
            QuantityKind.Size,
            "How far the soffit's edge lies inward of the top's; 0 for an upright face."
        ),
        Q(
            "/deck/patterns/*/slab/thickening",
            "Thickening over girders",
            QuantityKind.Size,
            "Added to the slab over every girder, with sides running out at 1:3."
        ),
        Q("/deck/patterns/*/slab/thickeningWidth", "Its width below", QuantityKind.Size, "Width over which the thickening is full."),
        Q("/deck/patterns/*/surfacing", "Surfacing", QuantityKind.Size, "Thickness of asphalt and waterproofing on the carriageway."),
        Text("/deck/units/*/name", "Name") with
        {
            IsOwn = true,
        },
        new("/deck/units/*/pattern", "Pattern", EntryKind.Choice)
        {
            IsOwn = true,
            Help = "Cross-section of this unit. Empty: the first of the library.",
        },
        Own(
            "/deck/units/*/startOverhang",
            "Beyond its first axis",
            QuantityKind.Length,
            "How far the unit reaches back beyond it, along the road; negative where it stops short."
        ),
        Own(
            "/deck/units/*/endOverhang",
            "Beyond its last axis",
            QuantityKind.Length,
            "How far the unit reaches ahead beyond it, along the road; negative where it stops short."
        ),
        Own("/deck/units/*/slabThickness", "Slab thickness", QuantityKind.Size, "Own value of this unit, all along it."),
        Own("/deck/units/*/surfacing", "Surfacing", QuantityKind.Size, "Own value of this unit."),
        .. new[] { "left", "right" }.SelectMany(side =>
            new[]
            {
                Own(
                    $"/deck/units/*/{side}/*/width",
                    "Width",
                    QuantityKind.Length,
                    "Own value of this unit, all along it. Empty: as in the pattern."
                ),
                Own(
                    $"/deck/units/*/{side}/*/crossfall",
                    "Crossfall",
                    QuantityKind.Slope,
                    "Own value of this unit, all along it. Empty: as in the pattern."
                ),
                Own($"/deck/units/*/{side}/*/upstand", "Upstand", QuantityKind.Size, "Own value of this unit. Empty: as in the pattern."),
                Own(
                    $"/deck/units/*/{side}/*/surfacing",
                    "Surfacing",
                    QuantityKind.Size,
                    "Own value of this unit. Empty: as in the pattern."
                ),
                Own(
                    $"/deck/units/*/{side}/*/unitWeight",
                    "Unit weight",
                    QuantityKind.UnitWeight,
                    "Own value of this unit. Empty: as in the pattern."
                ),
            }
        ),
        Q("/deck/jointGap", "Joint gap", QuantityKind.Size, "Between two units, along the road; its middle lies on the axis."),
        Q(
            "/deck/haunch",
            "Least haunch",
            QuantityKind.Size,
            "The least concrete wanted between girder top and slab soffit, anywhere over the flange."
        ),
        Q("/deck/endOverhang", "Deck beyond end axes", QuantityKind.Length, "How far the deck reaches beyond the first and the last axis."),
        .. GirderFields.All,
        Own("/supports/*/sizes/*", "Size", QuantityKind.Size, ""),
        new("/supports/*/choices/*", "Choice", EntryKind.Choice) { IsOwn = true },
        new("/supports/*/follows", "Follows", EntryKind.Choice)
        {
            IsOwn = true,
            Help = "Another support, whose values this one takes where it has none of its own. Empty: none.",
        },
        Text("/bearings/*/name", "Name"),
        new("/bearings/*/freedom", "Freedom", EntryKind.Choice)
        {
            Choices =
            [
                new("fixed", "Fixed"),
                new("guidedAlong", "Moves along"),
                new("guidedAcross", "Moves across"),
                new("free", "Free"),
                new("elastomeric", "Elastomeric"),
                new("springs", "Own springs"),
            ],
        },
        Q("/bearings/*/length", "Length", QuantityKind.Size, "Along the girder, over the rubber."),
        Q("/bearings/*/width", "Width", QuantityKind.Size, "Across the girder."),
        Q("/bearings/*/height", "Height", QuantityKind.Size, "Over all."),
        Q("/bearings/*/layers", "Inner layers of rubber", QuantityKind.Count, "Between the plates, of which there is one more."),
        Q("/bearings/*/layerThickness", "Thickness of one", QuantityKind.Size, "Of an inner layer, t i."),
        Q("/bearings/*/plateThickness", "Plates", QuantityKind.Size, "Thickness of each steel plate."),
        Q(
            "/bearings/*/outerLayer",
            "Outer layers",
            QuantityKind.Size,
            "Rubber above and below the plates; in compression it counts from 3 mm on."
        ),
        Q(
            "/bearings/*/edgeCover",
            "Rubber around plates",
            QuantityKind.Size,
            "How far the plates lie within the plan size; 4 mm at least."
        ),
        Q("/bearings/*/shearModulus", "Shear modulus", QuantityKind.Stress, "0.7, 0.9 or 1.15 MPa (EN 1337-3 4.3.1.1)."),
        Q("/bearings/*/along", "Stiffness along", QuantityKind.LineLoad),
        Q("/bearings/*/across", "Stiffness across", QuantityKind.LineLoad),
        Q("/bearings/*/upright", "Stiffness upright", QuantityKind.LineLoad),
        Text("/sections/*/name", "Name"),
        new("/sections/*/family", "Family", EntryKind.Choice)
        {
            Choices = [.. SectionFamily.All.Select(f => new Choice(f.Name, f.Words))],
            Help = "Sizes of other families are kept.",
        },
        Flag("/sections/*/superseded", "State", "current", "superseded"),
        Own("/sections/*/sizes/*", "Size", QuantityKind.Size, "Empty: the usual size of the family."),
        Flag("/sections/*/outlines/*/isVoid", "It is", "filled", "a void"),
        Q(
            "/sections/*/outlines/*/weight",
            "Ratio of moduli",
            QuantityKind.Number,
            "Modulus of this part over that of the section's material."
        ),
        Q("/sections/*/outlines/*/corners/*/x", "Across", QuantityKind.Size),
        Q("/sections/*/outlines/*/corners/*/y", "Up", QuantityKind.Size),
        Text("/sections/*/stressPoints/*/name", "Name"),
        Q("/sections/*/stressPoints/*/x", "Across", QuantityKind.Size),
        Q("/sections/*/stressPoints/*/y", "Up", QuantityKind.Size),
        .. MaterialFields.All,
        .. ModelFields.All,
        Text("/costs/currency", "Currency"),
        Own("/costs/rates/*", "Rate", QuantityKind.Number, "Cost per unit. Empty: it is not counted."),
        Q(
            "/loads/concreteWeight",
            "Concrete",
            QuantityKind.UnitWeight,
            "Reinforced concrete of girders, slab and edge beams (EN 1991-1-1 Table A.1)."
        ),
        Q("/loads/steelWeight", "Structural steel", QuantityKind.UnitWeight, "Of girders of steel (EN 1991-1-1 Table A.4)."),
        Q("/loads/surfacingWeight", "Surfacing", QuantityKind.UnitWeight, "On carriageway and hard strips, over the depth above the slab."),
        Q("/loads/footwayWeight", "Footway and verge fill", QuantityKind.UnitWeight, "Fill and paving over the depth above the slab."),
        Text("/profiles/*/name", "Name"),
        Own("/profiles/*/weight", "Weight", QuantityKind.LineLoad, "Per metre. Empty: that of solid concrete."),
        Q("/profiles/*/outline/*/across", "Across", QuantityKind.Size, "Outward from the foot of the traffic face."),
        Q("/profiles/*/outline/*/up", "Up", QuantityKind.Size, "From the surface at the traffic face."),
        new("/parapets/*/profile", "Profile", EntryKind.Choice) { Help = "A generic profile, or one of this bridge's own." },
        new("/parapets/*/side", "Side", EntryKind.Choice)
        {
            Choices = [new("left", "Left"), new("right", "Right"), new("both", "Both, mirrored")],
        },
        new("/parapets/*/line", "Along line", EntryKind.Choice)
        {
            IsOwn = true,
            Help = "A line of the road file, in place of a boundary. Empty: along a boundary.",
        },
        Own(
            "/parapets/*/boundary",
            "Along boundary",
            QuantityKind.Count,
            "Boundary of the strips, counted outward from the road line (0). Empty: the edge of the deck."
        ),
        Q(
            "/parapets/*/across",
            "Traffic face from it",
            QuantityKind.Size,
            "From that line to the foot of the traffic face, positive outward."
        ),
        Q("/parapets/*/rise", "Rise of the foot", QuantityKind.Size, "Above the surface."),
        Q("/parapets/*/extraDepth", "Extra depth", QuantityKind.Size, "Below the surface, as where asphalt runs past it."),
        Flag("/parapets/*/squareToDeck", "Stands", "upright", "square to the deck"),
        Own("/parapets/*/from", "From station", QuantityKind.Length, "Empty: from the deck's end."),
        Own("/parapets/*/to", "To station", QuantityKind.Length, "Empty: to the deck's end."),
        Own("/parapets/*/weight", "Weight", QuantityKind.LineLoad, "Per metre. Empty: that of the profile."),
    ];

    /// <summary>The field at a path, or null where nothing is entered there.</summary>
    public static Field? At(string path) => All.FirstOrDefault(field => field.Matches(path));

    /// <summary>The same with the choices that a bridge gives: its patterns, the lines of its road.</summary>
    public static Field? At(string path, Bridge bridge) =>
        At(path) is not { } field
            ? null
            : field.Pattern switch
            {
                "/deck/units/*/pattern" => field with
                {
                    Choices = [.. bridge.Deck.Patterns.Select(p => new Choice(p.Name, p.Superseded ? $"{p.Name} (superseded)" : p.Name))],
                },
                "/girders/type" or "/girders/spans/*/type" or "/girders/own/*/type" => field with
                {
                    Choices = [.. bridge.Girders.Types.Select(t => new Choice(t.Name, t.Name))],
                },
                "/girders/types/*/section" or "/girders/own/*/section" => field with
                {
                    Choices = [.. bridge.Sections.Select(s => new Choice(s.Name, s.Superseded ? $"{s.Name} (superseded)" : s.Name))],
                },
                "/girders/ranges/*/section" => field with { Choices = [.. bridge.Sections.Select(x => new Choice(x.Name, x.Name))] },
                "/girders/diaphragms/*/section" => field with
                {
                    Choices = [.. bridge.Sections.Where(SectionFamily.IsSteel).Select(x => new Choice(x.Name, x.Name))],
                },
                "/girders/course" or "/girders/spans/*/course" => field with
                {
                    Choices =
                    [
                        new(Girders.Straight, "straight lines"),
                        new(Girders.WithRoad, "the road line"),
                        .. bridge.Road.Features.Select(f => new Choice(f.Name, f.Name)),
                    ],
                },
                "/sections/*/sizes/*" => Size(field, path, bridge),
                "/supports/*/sizes/*" => SupportValues.AllSizes.FirstOrDefault(s => s.Name == path.Split('/')[4]) is { } size
                    ? field with
                    {
                        Name = size.Words,
                        Quantity = size.Kind,
                        Help = size.Help,
                    }
                    : null,
                "/supports/*/choices/*" => SupportChoice(field, path.Split('/')[4], bridge),
                "/girders/spans/*/follows" => field with
                {
                    Choices =
                    [
                        new("", "the common layout"),
                        .. Enumerable.Range(1, bridge.Axes.Spans.Length).Select(n => new Choice($"{n}", $"span {n}")),
                    ],
                },
                "/supports/*/follows" => field with
                {
                    Choices =
                    [
                        new("", "none"),
                        .. Enumerable
                            .Range(1, bridge.Axes.Spans.Length + 1)
                            .Select(n => new Choice($"{n}", $"axis {bridge.Axes.Own.GetValueOrDefault($"{n}")?.Name ?? $"{n}"}")),
                    ],
                },
                "/parapets/*/profile" => field with
                {
                    Choices =
                    [
                        .. ParapetProfile
                            .Library.Select(p => p.Name)
                            .Concat(bridge.Profiles.Select(p => p.Name))
                            .Select(n => new Choice(n, n)),
                    ],
                },
                "/parapets/*/line" or "/deck/patterns/*/left/*/widthLine" or "/deck/patterns/*/right/*/widthLine" => field with
                {
                    Choices = [new("", "none"), .. bridge.Road.Features.Select(f => new Choice(f.Name, f.Name))],
                },
                _ => ModelFields.For(field, path, bridge),
            };

    private static Field? SupportChoice(Field field, string name, Bridge bridge)
    {
        if (name.StartsWith("bearing", StringComparison.Ordinal))
            return field with { Name = "Bearing", Choices = [.. bridge.Bearings.Select(b => new Choice(b.Name, b.Name))] };
        return SupportValues.AllChoices.FirstOrDefault(c => c.Name == name) is { } choice
            ? field with
            {
                Name = choice.Words,
                Help = choice.Help,
                Choices = [.. choice.Values.Select(v => new Choice(v.Value, v.Words))],
            }
            : null;
    }

    /// <summary>A size of a section has the words and the kind that its family gives it.</summary>
    private static Field? Size(Field field, string path, Bridge bridge)
    {
        var parts = path.Split('/');
        if (!int.TryParse(parts[2], out var i) || i < 0 || i >= bridge.Sections.Length)
            return null;
        return SectionFamily.Named(bridge.Sections[i].Family)?.Sizes.FirstOrDefault(s => s.Name == parts[4]) is { } size
            ? field with
            {
                Name = size.Words,
                Quantity = size.IsCount ? QuantityKind.Count : QuantityKind.Size,
                Help = size.Help,
            }
            : null;
    }

    internal static Field Q(string path, string name, QuantityKind kind, string help = "") =>
        new(path, name, EntryKind.Quantity, kind) { Help = help };

    internal static Field Own(string path, string name, QuantityKind kind, string help) => Q(path, name, kind, help) with { IsOwn = true };

    /// <summary>A yes or no, in words.</summary>
    internal static Field Flag(string path, string name, string no, string yes) =>
        new(path, name, EntryKind.Choice) { Choices = [new("false", no), new("true", yes)] };

    internal static Field Text(string path, string name) => new(path, name, EntryKind.Text);

    internal static Field Pick(string path, string name, IEnumerable<string> values, string help) =>
        new(path, name, EntryKind.Choice) { Choices = [.. values.Select(v => new Choice(v, v))], Help = help };

    private static IEnumerable<Field> Strip(string path) =>
        [
            Text($"{path}/name", "Own name") with
            {
                IsOwn = true,
            },
            new($"{path}/kind", "Strip", EntryKind.Choice)
            {
                Choices =
                [
                    new("carriageway", "Carriageway"),
                    new("hardStrip", "Hard strip"),
                    new("verge", "Verge"),
                    new("footway", "Footway"),
                    new("edgeBeam", "Edge beam"),
                    new("median", "Median"),
                ],
            },
            Q($"{path}/width", "Width", QuantityKind.Length, "Width of the strip, square to the road."),
            Q(
                $"{path}/crossfall",
                "Crossfall",
                QuantityKind.Slope,
                "Rise per metre outward from the road line; negative falls away from it."
            ),
            new($"{path}/crossfallLaw", "Crossfall follows", EntryKind.Choice)
            {
                Choices = [new("constant", "Own value"), new("road", "Superelevation"), new("table", "Own table"), new("level", "Level")],
                Help = "Superelevation: that of the road on this side. Values not in force are kept.",
            },
            new($"{path}/widthLine", "Width up to", EntryKind.Choice)
            {
                IsOwn = true,
                Help = "A line of the road file to which the strip reaches, in place of a width. Empty: its own width or table.",
            },
            .. LawTable($"{path}/widths", "Width", QuantityKind.Length),
            .. LawTable($"{path}/crossfalls", "Crossfall", QuantityKind.Slope),
            Own(
                $"{path}/surfacing",
                "Surfacing on top",
                QuantityKind.Size,
                "Thickness of surfacing above a layer of the strip's own kind. Empty: one layer."
            ),
            Own(
                $"{path}/unitWeight",
                "Unit weight above slab",
                QuantityKind.UnitWeight,
                "Of what lies on the slab. Empty: that of the strip's kind, in the loads step."
            ),
            Q(
                $"{path}/upstand",
                "Upstand",
                QuantityKind.Size,
                "Step up at the strip's inner side. From 100 mm it is a kerb that bounds traffic."
            ),
        ];

    private static IEnumerable<Field> LawTable(string path, string name, QuantityKind kind) =>
        [
            Own($"{path}/*/axis", "From axis", QuantityKind.Count, "Number of the axis from which the distance counts. Empty: a station."),
            Q(
                $"{path}/*/at",
                "At",
                QuantityKind.Length,
                "Station, or distance ahead of the axis named. Straight between entries, level beyond them."
            ),
            Q($"{path}/*/value", name, kind),
        ];
}
