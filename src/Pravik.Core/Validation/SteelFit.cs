using Pravik.Core.Bridges;
using Pravik.Core.Materials;
using Pravik.Core.Places;
using Pravik.Core.Sections;
using Pravik.Core.Units;

namespace Pravik.Core.Validation;

/// <summary>Whether studs and details of fatigue lie on the girders of steel that they are entered for.</summary>
internal static class SteelFit
{
    public static void Check(Bridge bridge, BridgeGeometry geometry, UnitSystem units, Bounds bounds)
    {
        var plates = geometry.SectionsInUse.Select(PlateGirder.Of).OfType<PlateGirder>().ToList();
        if (plates.Count == 0)
        {
            if (!bridge.Girders.Studs.IsEmpty)
                bounds.Warning("/girders/studs", "Studs stand on flanges of steel, and no girder is of steel: none is placed.");
            return;
        }
        var (narrow, deep) = (plates.Min(p => p.Top.Width), plates.Max(p => p.Depth));
        for (var i = 0; i < bridge.Girders.Studs.Length; i++)
        {
            var (zone, path) = (bridge.Girders.Studs[i], $"/girders/studs/{i}");
            if (zone.Across + zone.Diameter > narrow)
                bounds.Error(
                    $"{path}/across",
                    $"Studs of zone {i + 1} are {Text(zone.Across + zone.Diameter)} wide over all, and the narrowest top flange "
                        + $"{Text(narrow)}."
                );
            if (zone.PerRow > 1 && zone.Across < (zone.PerRow - 1) * zone.Diameter)
                bounds.Error($"{path}/across", $"{zone.PerRow} studs of {Text(zone.Diameter)} overlap within {Text(zone.Across)}.");
        }
        for (var i = 0; i < bridge.Girders.Fatigue.Details.Length; i++)
        {
            if (bridge.Girders.Fatigue.Details[i].Level > deep)
                bounds.Error(
                    $"/girders/fatigue/details/{i}/level",
                    $"Fatigue detail {i + 1} lies above the deepest girder, which is {Text(deep)} deep."
                );
        }

        var (wide, thick, steel) = (
            plates.Max(p => (Math.Max(p.Top.Width, p.Bottom.Width) - p.WebThickness) / 2),
            plates.Max(p => Math.Max(p.Top.Thickness, p.Bottom.Thickness)),
            StructuralSteel.Of(bridge.Materials.Structural)
        );
        for (var i = 0; i < bridge.Girders.Stiffeners.Length; i++)
        {
            var width = bridge.Girders.Stiffeners[i].Width;
            if (width > wide)
                bounds.Warning(
                    $"/girders/stiffeners/{i}/width",
                    $"Stiffener {i + 1} stands out {Text(width)}, beyond the widest flange, which leaves {Text(wide)}."
                );
        }
        if (bridge.Materials.Structural.Fy is null && thick > steel.Thickest)
            bounds.Error(
                "/materials/structural/class",
                $"Strengths of {steel.Class} are known to {Text(steel.Thickest)}, and a flange is {Text(thick)} thick: choose another "
                    + "grade or type its strength."
            );

        string Text(double size) => units.FormatWithUnit(size, QuantityKind.Size);
    }
}
