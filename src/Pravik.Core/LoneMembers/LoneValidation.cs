using Pravik.Core.Codes;
using Pravik.Core.Findings;
using Pravik.Core.Sections;
using Pravik.Core.Units;
using Pravik.Core.Validation;

namespace Pravik.Core.LoneMembers;

/// <summary>What is wrong with a member alone, with the place and the reason; bounds of values that bridges have too are theirs.</summary>
public static class LoneValidation
{
    private const int MostSpans = 30;
    private const int MostOfList = 100;

    /// <summary>All findings of a member.</summary>
    public static IReadOnlyList<Finding> Check(LoneMember member)
    {
        var bounds = new Bounds(UnitSystem.Named(member.Basis?.Units));
        if (!IsWhole(member, bounds))
            return bounds.Findings;
        bounds.Text("/name", "The name of the member", member.Name, 120);
        if (string.IsNullOrWhiteSpace(member.Name))
            bounds.Error("/name", "The member needs a name.");
        BridgeValidation.Basis(member.Basis!, bounds);
        if (member.Basis!.Standard != Standard.Eurocode)
            bounds.Error("/basis/standard", "Members alone are checked by EN 1990 to 1992; AASHTO LRFD is not covered.");
        Lines(member, bounds);
        SectionValidation.Check(member.Sections, bounds);
        LoneMaterialValidation.Check(member, bounds);
        if (bounds.HasErrors)
            return bounds.Findings;
        var length = member.Spans.Sum(s => s.Length);
        Stretches(member, length, bounds);
        LoneLoadValidation.Check(member, length, bounds);
        LoneWheelValidation.Check(member, length, bounds);
        if (!bounds.HasErrors && new LonePlaces(member) is { Joints.Length: > LonePlaces.Most } places)
            bounds.Error("/spans", $"The member has {places.Joints.Length} places; at most {LonePlaces.Most} are taken.");
        if (!bounds.HasErrors)
            LoneFit.Check(member, bounds);
        return bounds.Findings;
    }

    /// <summary>JSON can leave null where a part must stand.</summary>
    private static bool IsWhole(LoneMember member, Bounds bounds)
    {
        if (member.Format != LoneMember.FormatName)
            bounds.Error("/format", $"This is not a member file: the format must be “{LoneMember.FormatName}”.");
        if (member.Version is < 1 or > LoneMember.CurrentVersion)
            bounds.Error("/version", $"File version {member.Version} is not known here; this program reads version 1.");
        (string Path, object? Part)[] parts =
        [
            ("/basis", member.Basis),
            ("/basis/titles", member.Basis?.Titles),
            ("/basis/ownValues", member.Basis?.OwnValues),
            ("/materials", member.Materials),
            ("/materials/concrete", member.Materials?.Concrete),
            ("/materials/slab", member.Materials?.Slab),
            ("/materials/reinforcement", member.Materials?.Reinforcement),
            ("/materials/strand", member.Materials?.Strand),
            ("/strands", member.Strands),
            ("/release", member.Release),
            ("/time", member.Time),
        ];
        foreach (var (path, _) in parts.Where(p => p.Part is null))
            bounds.Error(path, "This part is missing.");
        bounds.List("/spans", member.Spans, MostSpans);
        bounds.List("/supports", member.Supports, MostSpans + 1);
        bounds.List("/stretches", member.Stretches, MostOfList);
        bounds.List("/bars", member.Bars, MostOfList);
        bounds.List("/links", member.Links, MostOfList);
        bounds.List("/cases", member.Cases, MostOfList);
        bounds.List("/traffic", member.Traffic, MostOfList);
        if (member.Strands is not null)
            GirderTypeValidation.Lists("/strands", member.Strands, bounds);
        if (!member.Cases.IsDefault)
        {
            for (var i = 0; i < member.Cases.Length; i++)
                bounds.List($"/cases/{i}/loads", member.Cases[i]?.Loads ?? [], 500);
        }
        SectionValidation.CheckLists(member.Sections, bounds);
        return !bounds.HasErrors;
    }

    /// <summary>Spans and what holds them.</summary>
    private static void Lines(LoneMember member, Bounds bounds)
    {
        if (member.Spans.IsEmpty)
            bounds.Error("/spans", "A member has at least one span.");
        bounds.Between("/overhang", "The length beyond the supports", member.Overhang, -1, 3, QuantityKind.Length);
        for (var i = 0; i < member.Spans.Length; i++)
        {
            bounds.Between($"/spans/{i}/length", $"Span {i + 1}", member.Spans[i].Length, 0.5, 300, QuantityKind.Length);
            if (member.Spans[i].Depth is { } law)
                GirderValidation.Depth($"/spans/{i}/depth", law, bounds, "/girders/depth");
        }
        if (member.Supports.Length != member.Spans.Length + 1)
        {
            bounds.Error(
                "/supports",
                member.Supports.IsEmpty
                    ? "A member without supports falls: each end of a span is held, or free at an end of the member."
                    : $"{member.Spans.Length} spans have {member.Spans.Length + 1} supports; {member.Supports.Length} were given."
            );
            return;
        }
        for (var i = 0; i < member.Supports.Length; i++)
        {
            var (support, path) = (member.Supports[i], $"/supports/{i}");
            if (!Enum.IsDefined(support.Restraint))
                bounds.Error($"{path}/restraint", "This restraint is not known.");
            if (support.Restraint == Restraint.Free && i > 0 && i < member.Supports.Length - 1)
                bounds.Error($"{path}/restraint", "Only the ends of a member may be free.");
            bounds.Between($"{path}/bearing", "The length of a bearing", support.Bearing, 0, 5, QuantityKind.Length);
            bounds.Between($"{path}/settlement", "A settlement", Math.Abs(support.Settlement), 0, 1, QuantityKind.Size);
            if (support.Spring is { } spring)
                bounds.Between($"{path}/spring", "The stiffness of a support", spring, 1e4, 1e13, QuantityKind.LineLoad);
            if (support.Spring is not null && support.Settlement != 0)
                bounds.Error($"{path}/settlement", "A support that gives by its stiffness has no settlement beside it.");
        }
        var held = member.Supports.Where(s => s.Restraint != Restraint.Free).ToList();
        if (held.Count < 2 && !held.Exists(s => s.Restraint == Restraint.Fixed))
            bounds.Error("/supports", "The member can turn: it needs two supports, or one that is fixed.");
    }

    private static void Stretches(LoneMember member, double length, Bounds bounds)
    {
        for (var i = 0; i < member.Stretches.Length; i++)
        {
            var (stretch, path) = (member.Stretches[i], $"/stretches/{i}");
            if (member.Sections.All(s => s.Name != stretch.Section))
                bounds.Error($"{path}/section", $"There is no section named “{stretch.Section}”.");
            Within(path, stretch.From, stretch.To, length, bounds);
        }
        for (var i = 0; i < member.Sections.Length; i++)
        {
            if (SectionFamily.IsSteel(member.Sections[i]))
                bounds.Error($"/sections/{i}/family", "Members alone are of concrete; sections of steel are not covered.");
        }
    }

    /// <summary>An error unless a stretch lies on the member and has a length.</summary>
    internal static void Within(string path, double? from, double? to, double length, Bounds bounds)
    {
        bounds.Between($"{path}/from", "The beginning", from ?? 0, 0, length, QuantityKind.Length);
        bounds.Between($"{path}/to", "The end", to ?? length, 0, length, QuantityKind.Length);
        if ((to ?? length) <= (from ?? 0))
            bounds.Error($"{path}/to", "It ends before it begins, or has no length.");
    }
}
