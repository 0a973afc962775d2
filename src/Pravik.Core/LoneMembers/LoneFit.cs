using Pravik.Core.Materials;
using Pravik.Core.Units;
using Pravik.Core.Validation;

namespace Pravik.Core.LoneMembers;

/// <summary>Whether bars, links and strands of a member lie in its concrete, and leave each other room.</summary>
internal static class LoneFit
{
    private const double LeastClear = 0.02;

    public static void Check(LoneMember member, Bounds bounds)
    {
        var places = new LonePlaces(member);
        var sections = new LoneSections(member, places);
        for (var i = 0; i < member.Bars.Length; i++)
            Bars(member, i, places, sections, bounds);
        for (var i = 0; i < member.Links.Length; i++)
            Links(member, i, places, sections, bounds);
        Strands(member, places, sections, bounds);
        if (member.Slab is not null && !member.HasStrands)
            bounds.Warning(
                "/slab",
                "A slab on a member without strands is taken as cast with it: all acts on the whole.",
                "Where the member stands alone before, stresses and cracks come out otherwise."
            );
    }

    private static void Bars(LoneMember member, int i, LonePlaces places, LoneSections sections, Bounds bounds)
    {
        var (layer, path) = (member.Bars[i], $"/bars/{i}");
        bounds.Between($"{path}/diameter", "The diameter of bars", layer.Diameter, 0.005, 0.06, QuantityKind.Size);
        LoneValidation.Within(path, layer.From, layer.To, places.Ends[^1], bounds);
        if (layer.Count is null == layer.Spacing is null)
            bounds.Error($"{path}/count", "Bars are given by their number or by their distance, one of both.");
        else if (layer.Count is { } count)
            bounds.Between($"{path}/count", "The number of bars", count, 1, 500, QuantityKind.Count);
        else if (layer.Spacing < layer.Diameter + Math.Max(layer.Diameter, LeastClear))
            bounds.Error($"{path}/spacing", "Bars are a diameter or 20 mm apart at least (EN 1992-1-1 8.2(2)).");
        if (layer.AxisDistance < layer.Diameter / 2)
            bounds.Error(
                $"{path}/axisDistance",
                "These bars have no cover: their axis lies nearer to the face than half of their diameter."
            );
        if (bounds.HasErrors)
            return;
        var (from, to) = (layer.From ?? 0, layer.To ?? places.Ends[^1]);
        foreach (var place in places.Places.Where(p => p.At >= from && p.At <= to))
        {
            var section = sections.MadeAt(place);
            var slab = member.Slab is { } s ? s.Haunch + s.Thickness : 0;
            var height = layer.Face == BarFace.Top ? section.Depth + slab - layer.AxisDistance : layer.AxisDistance;
            var width = height > section.Depth ? (member.Slab?.Width ?? 0) : section.Solids.Sum(o => o.WidthAt(section.Bottom + height));
            var number = layer.Count ?? 1;
            if (height < layer.Diameter / 2 || height > section.Depth + slab || width < layer.Diameter)
                bounds.Fault($"{path}/axisDistance", $"These bars lie outside the concrete {At(place)}.");
            else if (number > 1 && width < number * layer.Diameter + (number - 1) * Math.Max(layer.Diameter, LeastClear))
                bounds.Fault($"{path}/count", $"{number} bars do not fit beside each other {At(place)}, a diameter or 20 mm apart.");
            else
                continue;
            return;
        }
    }

    private static string At(LonePlace place) => FormattableString.Invariant($"at {place.At:0.###} m");

    private static void Links(LoneMember member, int i, LonePlaces places, LoneSections sections, Bounds bounds)
    {
        var (links, path) = (member.Links[i], $"/links/{i}");
        const string Entry = "/girders/types/0/links/0";
        bounds.Check($"{path}/legs", links.Legs, entry: $"{Entry}/legs");
        bounds.Check($"{path}/diameter", links.Diameter, entry: $"{Entry}/diameter");
        bounds.Check($"{path}/spacing", links.Spacing, entry: $"{Entry}/spacing");
        LoneValidation.Within(path, links.From, links.To, places.Ends[^1], bounds);
        if (links.Spacing < 2 * links.Diameter)
            bounds.Error($"{path}/spacing", "Links are at least two diameters apart.");
        var (from, to) = (links.From ?? 0, links.To ?? places.Ends[^1]);
        var shallowest = places
            .Places.Where(p => p.At >= from && p.At <= to)
            .Select(p => sections.MadeAt(p).Depth)
            .DefaultIfEmpty(1e9)
            .Min();
        if (links.Spacing > shallowest)
            bounds.Fault($"{path}/spacing", "These links are farther apart than the section is deep: a crack could pass between them.");
    }

    private static void Strands(LoneMember member, LonePlaces places, LoneSections sections, Bounds bounds)
    {
        var (strands, steel) = (member.Strands, PrestressingSteel.Of(member.Materials.Strand));
        if (!member.HasStrands)
            return;
        if (strands.EffectiveStress is null && member.Effects is not null)
            bounds.Fault(
                "/strands/effectiveStress",
                "The stress of strands after losses is missing: with effects from elsewhere losses are not worked out."
            );
        if (member.WorksOutLosses && member.Supports.Any(s => s.Restraint != Restraint.Pinned))
            bounds.Fault(
                "/strands/effectiveStress",
                "The stress of strands after losses is missing: losses are worked out for members that can turn at both supports."
            );
        if (member.WorksOutLosses && member.StandsBeforeSlab && member.Slab!.Day < member.Release.Age)
            bounds.Fault("/slab/day", "The slab is cast before the strands are released.");
        if (strands.EffectiveStress > 0.75 * steel.Fpk)
            bounds.Fault(
                "/strands/effectiveStress",
                $"The stress after losses is above 0.75 f_pk = {0.75 * steel.Fpk / 1e6:0} MPa (EN 1992-1-1 7.2(5))."
            );
        if (strands.JackStress > steel.MostAtJack)
            bounds.Fault(
                "/strands/jackStress",
                $"Strands are stressed to at most min(0.8 f_pk, 0.9 f_p0.1k) = {steel.MostAtJack / 1e6:0} MPa (EN 1992-1-1 5.10.2.1)."
            );
        for (var i = 0; i < strands.Rows.Length; i++)
        {
            var row = strands.Rows[i];
            foreach (var place in places.Places)
            {
                var (section, level) = (sections.MadeAt(place), sections.LevelOf(row, place.At));
                var outer = (row.Count - 1) * row.Spacing / 2;
                if (section.Contains(new(outer, level + section.Bottom)) && section.Contains(new(-outer, level + section.Bottom)))
                    continue;
                bounds.Fault($"/strands/rows/{i}/count", $"The outer strands of row {i + 1} lie outside the concrete {At(place)}.");
                break;
            }
        }
    }
}
