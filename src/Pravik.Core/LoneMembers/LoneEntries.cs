using Pravik.Core.Codes;
using Pravik.Core.Entries;
using Pravik.Core.Materials;
using Pravik.Core.Sections;
using Pravik.Core.Traffic;
using Pravik.Core.Units;
using Pravik.Core.Vehicles;
using static Pravik.Core.Entries.Describe;

namespace Pravik.Core.LoneMembers;

/// <summary>All values of a member alone that can be entered, by path. Bounds that other values set are those of its validation.</summary>
public static class LoneEntries
{
    private const double Far = 9000;

    /// <summary>All of them.</summary>
    public static IReadOnlyList<Entry> All { get; } =
    [
        .. EntryCatalog.All.Where(e => e.Pattern == "/name" || e.Pattern.StartsWith("/basis/", StringComparison.Ordinal)),
        Value(
            "/overhang",
            "Goes on beyond supports",
            QuantityKind.Length,
            -1,
            3,
            "Strands begin there; negative where it ends short of them."
        ),
        .. Part("/spans/*", s => $"of span {s.Number(0)}", Value("length", "Length", QuantityKind.Length, 0.5, 300)),
        .. Part("/supports/*", s => $"of support {s.Number(0)}", Support),
        .. Part("/sections/*", s => $"of section {s.Number(0)}", Text("name", "Name"), Choose("family", "Family", Families)),
        .. Part("/stretches/*", s => $"of stretch {s.Number(0)}", Choose("section", "Section", []), From(false), To(false)),
        .. Materials,
        .. Part("/slab", _ => "of the slab", Slab).Select(e => e with { Subject = e.Name }),
        .. Part("/bars/*", s => $"of layer {s.Number(0)}", Bars),
        .. Part(
            "/links/*",
            s => $"of links {s.Number(0)}",
            [From(true), To(true), .. Borrowed("/girders/types/*/links/*", "legs", "diameter", "spacing")]
        ),
        .. Part("/strands", _ => "of strands", Borrowed("/girders/types/*/strands", "jackStress", "effectiveStress")),
        .. Part(
            "/strands/rows/*",
            s => $"of row {s.Number(0)}",
            Borrowed("/girders/types/*/strands/rows/*", "level", "count", "spacing", "debonded", "debondedLength", "endLevel", "holdDown")
        ),
        .. Part(
            "/strands/rows/*/alsoDebonded/*",
            s => $"also debonded in row {s.Number(0)}",
            Borrowed("/girders/types/*/strands/rows/*/alsoDebonded/*", "count", "length")
        ),
        .. Part(
            "/time",
            _ => "",
            [
                .. Borrowed("/actions", "humidity", "cement", "aging", "lastDay"),
                Value(
                    "loadedOn",
                    "Permanent loads on day",
                    QuantityKind.Number,
                    0,
                    36500,
                    "Day on which permanent loads are put on the finished member, from when it was made; not before its slab is cast."
                ),
            ]
        ),
        .. Part("/release", _ => "", Borrowed("/girders/release", "age", "strength", "heatTemperature", "heatHours")),
        .. Borrowed("/girders", "strutSlope", "leavesOutTorsion", "topSurface", "deflectionLimit")
            .Select(e => e with { Pattern = $"/{e.Pattern}" }),
        Value("/unitWeight", "Weight of concrete", QuantityKind.UnitWeight, 1e4, 4e4),
        Value("/heating", "Top warmer by", QuantityKind.Number, 0, 60, "K, straight over the depth (EN 1991-1-5 Table 6.1)."),
        Value("/cooling", "Top cooler by", QuantityKind.Number, 0, 60, "K, as before."),
        .. Part("/cases/*", s => $"of case {s.Number(0)}", Case),
        .. Part("/cases/*/loads/*", s => $"of load {s.Number(1)}, case {s.Number(0)}", Load),
        .. Part("/traffic/*", s => $"of traffic {s.Number(0)}", Traffic),
    ];

    /// <summary>The entry at a path as a member makes it, or null where nothing is entered there.</summary>
    public static Entry? At(string path, LoneMember member)
    {
        var parts = path.Split('/');
        if (parts is ["", "sections", var number, "sizes", var size])
            return Size(member, number, size);
        if (All.FirstOrDefault(e => e.IsAt(parts)) is not { } entry)
            return null;
        return parts switch
        {
            ["", "stretches", _, "section"] => entry with { Choices = [.. member.Sections.Select(s => new Choice(s.Name, s.Name))] },
            ["", "cases", var own, "loads", var load, "value" or "toValue"] => entry with { Quantity = LoadQuantity(member, own, load) },
            _ => entry,
        };
    }

    /// <summary>What the value of a load is, by its kind.</summary>
    private static QuantityKind LoadQuantity(LoneMember member, string own, string load) =>
        int.TryParse(own, out var i)
        && int.TryParse(load, out var k)
        && member.Cases.ElementAtOrDefault(i)?.Loads.ElementAtOrDefault(k) is { } found
            ? found.Quantity
            : QuantityKind.LineLoad;

    /// <summary>A size of a section, by its family.</summary>
    private static Entry? Size(LoneMember member, string number, string name)
    {
        if (!int.TryParse(number, out var i) || i < 0 || i >= member.Sections.Length)
            return null;
        var size = SectionFamily.Named(member.Sections[i].Family)?.Sizes.FirstOrDefault(s => s.Name == name);
        return size is null
            ? null
            : new Entry("/sections/*/sizes/*", size.Words, EntryKind.Quantity, size.IsCount ? QuantityKind.Count : QuantityKind.Size)
            {
                Least = size.Least,
                Greatest = size.Greatest,
                Help = size.Help,
                IsOwn = true,
                IsItem = true,
                Words = _ => $"of {member.Sections[i].Name}",
            };
    }

    private static IEnumerable<Entry> Borrowed(string part, params string[] names) =>
        names.Select(n => EntryCatalog.All.First(e => e.Pattern == $"{part}/{n}") with { Pattern = n });

    private static IReadOnlyList<Choice> Families =>
        [.. SectionFamily.All.Where(f => f.Material != "steel").Select(f => new Choice(f.Name, f.Words))];

    private static Entry From(bool isOpen) =>
        isOpen
            ? Own("from", "From", QuantityKind.Length, 0, Far, "From the first support. Empty: from the beginning.")
            : Value("from", "From", QuantityKind.Length, 0, Far, "From the first support.");

    private static Entry To(bool isOpen) =>
        isOpen ? Own("to", "To", QuantityKind.Length, 0, Far, "Empty: to the end.") : Value("to", "To", QuantityKind.Length, 0, Far);

    private static IEnumerable<Entry> Support =>
        [
            Choose(
                "restraint",
                "Held",
                [new("pinned", "upright"), new("fixed", "upright and against turning"), new("free", "free end")]
            ) with
            {
                Subject = "Restraint",
            },
            Own("spring", "Stiffness", QuantityKind.LineLoad, 1e4, 1e13, "Upright force per movement. Empty: firm.") with
            {
                Blank = "firm",
            },
            Value("bearing", "Bearing", QuantityKind.Length, 0, 5, "Its length along the member: a place is checked at its face."),
            Value("settlement", "Settles by", QuantityKind.Size, -1, 1, "Where it worsens, with γ of settlements."),
        ];

    private static IEnumerable<Entry> Materials =>
        [
            Pick("/materials/concrete/class", "Concrete", Concretes, "Strength class, EN 1992-1-1 Table 3.1."),
            Pick("/materials/slab/class", "Concrete of the slab", Concretes, "Strength class, EN 1992-1-1 Table 3.1."),
            Pick("/materials/reinforcement/class", "Bars", ReinforcingSteel.Classes),
            Pick("/materials/strand/type", "Strand", PrestressingSteel.Types),
            Pick("/materials/exposure", "Exposure", ExposureClass.All, "Class of exposure, EN 1992-1-1 Table 4.1."),
        ];

    private static IEnumerable<string> Concretes => Concrete.Classes.Where(c => c.StartsWith('C'));

    private static IEnumerable<Entry> Slab =>
        [
            Value("width", "Width that works", QuantityKind.Length, 0.1, 40),
            Own("weighs", "Width that weighs", QuantityKind.Length, 0, 40, "Empty: the width that works."),
            Value("thickness", "Thickness", QuantityKind.Size, 0.05, 2),
            Value("haunch", "Haunch", QuantityKind.Size, 0, 1, "Concrete between the member's top and the slab."),
        ];

    private static IEnumerable<Entry> Bars =>
        [
            Choose("face", "Face", [new("soffit", "soffit"), new("top", "top")]),
            Value("axisDistance", "Axis from face", QuantityKind.Size, 0.003, 3, "From the face to the axis of the bars."),
            Value("diameter", "Diameter", QuantityKind.Size, 0.005, 0.06),
            Own("count", "Number", QuantityKind.Count, 1, 500, "Empty: by their distance."),
            Own("spacing", "Distance", QuantityKind.Size, 0.03, 1, "Over the width of the face. Empty: by their number."),
            From(true),
            To(true),
        ];

    private static IEnumerable<Entry> Case =>
        [
            Text("name", "Name", 120),
            Choose(
                "action",
                "It is",
                [
                    new("permanent", "permanent"),
                    new("surfacing", "surfacing"),
                    new("variable", "variable"),
                    new("accidental", "accidental"),
                    new("aside", "in no combination"),
                ]
            ) with
            {
                Subject = "Action",
            },
            Flag("beforeSlab", "Carried", "with the slab", "by the member alone") with
            {
                Subject = "Carrier",
            },
            Value("psi0", "ψ₀", QuantityKind.Number, 0, 1),
            Value("psi1", "ψ₁", QuantityKind.Number, 0, 1),
            Value("psi2", "ψ₂", QuantityKind.Number, 0, 1),
        ];

    private static IEnumerable<Entry> Load =>
        [
            Choose("kind", "Kind", [new("line", "along"), new("point", "force"), new("moment", "moment")]),
            From(true),
            To(true),
            Value("value", "Value", QuantityKind.LineLoad, -1e9, 1e9, "Down; a moment sagging ahead of it."),
            Own(
                "toValue",
                "Value at the end",
                QuantityKind.LineLoad,
                -1e9,
                1e9,
                "Of a load along, straight from the first. Empty: the same."
            ),
        ];

    private static IEnumerable<Entry> Traffic =>
        [
            Choose("model", "Model", Models),
            Value("share", "Share of a lane", QuantityKind.Number, 0, 10, "The part of lane 1, or of a track, that the member carries."),
            Value("dynamic", "Dynamic factor", QuantityKind.Number, 0.5, 3, "On vehicles and trains, beside what the model has."),
        ];

    private static IReadOnlyList<Choice> Models =>
        [
            .. TrafficModels
                .All(NationalValues.Named(NationalValues.Recommended)!)
                .Where(m => LineTraffic.Refusal(m) is null && m.Role != TrafficRole.Shown)
                .Select(m => new Choice(m.Name, m.Name)),
        ];
}
