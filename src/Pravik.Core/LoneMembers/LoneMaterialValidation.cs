using Pravik.Core.Materials;
using Pravik.Core.Units;
using Pravik.Core.Validation;

namespace Pravik.Core.LoneMembers;

/// <summary>The bounds of a member's materials, strands, slab, and of how it is worked out.</summary>
internal static class LoneMaterialValidation
{
    private const string Type = "/girders/types/0";

    public static void Check(LoneMember member, Bounds bounds)
    {
        var materials = member.Materials;
        MaterialValidation.Concretes(
            [("/materials/concrete", materials.Concrete), ("/materials/slab", materials.Slab)],
            bounds,
            "/materials/slab"
        );
        MaterialValidation.Bars(materials.Reinforcement, bounds);
        MaterialValidation.Strand(materials.Strand, bounds);
        bounds.Among("/materials/exposure", materials.Exposure ?? "", [.. ExposureClass.All]);
        bounds.Check("/strutSlope", member.StrutSlope, entry: "/girders/strutSlope");
        bounds.Check("/deflectionLimit", member.DeflectionLimit, entry: "/girders/deflectionLimit");
        bounds.Among("/topSurface", member.TopSurface ?? "", [.. InterfaceSurface.All.Select(s => s.Name)], "/girders/topSurface");
        bounds.Between("/unitWeight", "The weight of concrete", member.UnitWeight, 1e4, 4e4, QuantityKind.UnitWeight);
        bounds.Between("/heating", "The difference of temperature, top warmer", member.Heating, 0, 60, QuantityKind.Number);
        bounds.Between("/cooling", "The difference of temperature, top cooler", member.Cooling, 0, 60, QuantityKind.Number);
        GirderTypeValidation.Strands("/strands", member.Strands, bounds, $"{Type}/strands");
        bounds.Check("/time/humidity", member.Time.Humidity, entry: "/actions/humidity");
        bounds.Among("/time/cement", member.Time.Cement ?? "", ["S", "N", "R"]);
        bounds.Check("/time/aging", member.Time.Aging, entry: "/actions/aging");
        bounds.Between("/time/loadedOn", "The day of permanent loads", member.Time.LoadedOn, 0, 36500, QuantityKind.Number);
        bounds.Check("/time/lastDay", member.Time.LastDay, entry: "/actions/lastDay");
        bounds.Check("/release/age", member.Release.Age, entry: "/girders/release/age");
        bounds.Check("/release/strength", member.Release.Strength, entry: "/girders/release/strength");
        bounds.Check("/release/heatTemperature", member.Release.HeatTemperature, entry: "/girders/release/heatTemperature");
        bounds.Check("/release/heatHours", member.Release.HeatHours, entry: "/girders/release/heatHours");
        if (member.Slab is { } slab)
        {
            bounds.Between("/slab/width", "The width of the slab", slab.Width, 0.1, 40, QuantityKind.Length);
            bounds.Between("/slab/weighs", "The width that weighs on the member", slab.Weighs ?? slab.Width, 0, 40, QuantityKind.Length);
            bounds.Between("/slab/thickness", "The thickness of the slab", slab.Thickness, 0.05, 2, QuantityKind.Size);
            bounds.Between("/slab/haunch", "The haunch", slab.Haunch, 0, 1, QuantityKind.Size);
            bounds.Between("/slab/day", "The day on which the slab is cast", slab.Day, 0, 36500, QuantityKind.Number);
        }
    }
}
