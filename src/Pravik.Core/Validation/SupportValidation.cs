using Pravik.Core.Bridges;
using Pravik.Core.Findings;
using Pravik.Core.Units;

namespace Pravik.Core.Validation;

/// <summary>The bounds of supports and bearings.</summary>
internal static class SupportValidation
{
    public static void CheckLists(Bridge bridge, Bounds bounds)
    {
        if (bridge.Bearings.IsDefaultOrEmpty || bridge.Bearings.Contains(null!))
            bounds.Error("/bearings", "A bridge has at least one type of bearing, and none may be missing.");
        else if (bridge.Bearings.Length > 50)
            bounds.Error("/bearings", "There are at most 50 types of bearings.");
        if (bridge.Supports is null)
            bounds.Error("/supports", "This part is missing.");
        else
            foreach (var (key, support) in bridge.Supports)
            {
                if (support is null || support.Sizes is null || support.Choices is null || support.Links is null)
                    bounds.Error($"/supports/{key}", "This support, or a part of it, is missing.");
            }
    }

    public static void Check(Bridge bridge, Bounds bounds)
    {
        for (var i = 0; i < bridge.Bearings.Length; i++)
            Bearing(bridge, i, bounds);
        var last = bridge.Axes.Spans.Length + 1;
        foreach (var (key, support) in bridge.Supports)
        {
            var path = $"/supports/{key}";
            if (!int.TryParse(key, out var number) || number is < 1 or > 31 || $"{number}" != key)
            {
                bounds.Error(path, $"“{key}” is not the number of an axis.");
                continue;
            }
            foreach (var (name, value) in support.Sizes)
            {
                if (SupportValues.AllSizes.FirstOrDefault(s => s.Name == name) is not { } size)
                    bounds.Error($"{path}/sizes/{name}", $"“{name}” is not a size of a support.");
                else if (
                    bounds.Between($"{path}/sizes/{name}", $"{size.Words} at axis {key}", value, size.Least, size.Greatest, size.Kind)
                    && size.Kind == QuantityKind.Count
                    && value != Math.Round(value)
                )
                    bounds.Error($"{path}/sizes/{name}", $"{size.Words} is a whole number.");
            }
            foreach (var (name, value) in support.Choices)
            {
                if (name.StartsWith("bearing", StringComparison.Ordinal))
                    bounds.Among($"{path}/choices/{name}", value ?? "", [.. bridge.Bearings.Select(b => b.Name)]);
                else if (SupportValues.AllChoices.FirstOrDefault(c => c.Name == name) is not { } choice)
                    bounds.Error($"{path}/choices/{name}", $"“{name}” is not a choice of a support.");
                else
                    bounds.Among($"{path}/choices/{name}", value ?? "", [.. choice.Values.Select(v => v.Value)]);
            }
            foreach (var (name, link) in support.Links)
            {
                if (SupportValues.AllSizes.FirstOrDefault(s => s.Name == name) is not { } size)
                    bounds.Error($"{path}/links/{name}", $"“{name}” is not a size of a support.");
                else if (SupportValues.LinkTarget(link ?? "") is not { } target)
                    bounds.Error($"{path}/links/{name}", $"“{link}” does not name a size at an axis, as in 2/capWidth.");
                else if (
                    SupportValues.AllSizes.First(s => s.Name == target.Size).Kind is var kind
                    && (kind == QuantityKind.Size ? QuantityKind.Length : kind)
                        != (size.Kind == QuantityKind.Size ? QuantityKind.Length : size.Kind)
                )
                    bounds.Error($"{path}/links/{name}", $"{size.Words} cannot follow a value of another kind.");
            }
            if (support.Follows is { } follows && (!int.TryParse(follows, out var other) || other < 1 || other > 31))
                bounds.Error($"{path}/follows", $"“{follows}” is not the number of an axis.");
            else if (
                support.Follows is { } followed
                && number <= last
                && int.Parse(followed) <= last
                && IsAbutment(bridge, number) != IsAbutment(bridge, int.Parse(followed))
            )
                bounds.Findings.Add(
                    Finding.Warning(
                        $"{path}/follows",
                        $"The support at axis {key} follows one of the other kind: an abutment and a pier share only bearings and "
                            + "foundation."
                    ) with
                    {
                        Repair = new("Let it stand for itself", [new("remove", $"{path}/follows", "null")]),
                    }
                );
            else if (new SupportValues(bridge.Supports, number, IsAbutment(bridge, number), false).IsCircular)
                bounds.Error(
                    support.Follows is null ? $"{path}/links" : $"{path}/follows",
                    $"The support at axis {key} would follow itself in a circle."
                );
        }
    }

    private static bool IsAbutment(Bridge bridge, int axis) =>
        (
            bridge.Axes.Own.GetValueOrDefault($"{axis}")?.Kind
            ?? (axis == 1 || axis > bridge.Axes.Spans.Length ? AxisKind.Abutment : AxisKind.Pier)
        ) == AxisKind.Abutment;

    private static void Bearing(Bridge bridge, int index, Bounds bounds)
    {
        var (bearing, path) = (bridge.Bearings[index], $"/bearings/{index}");
        bounds.Text($"{path}/name", bearing.Name);
        if (string.IsNullOrWhiteSpace(bearing.Name))
            bounds.Error($"{path}/name", "The bearing needs a name.");
        else if (bridge.Bearings.Take(index).Any(b => b.Name == bearing.Name))
            bounds.Error($"{path}/name", $"There are two bearings named “{bearing.Name}”.");
        bounds.Known($"{path}/freedom", bearing.Freedom);
        bounds.Check($"{path}/length", bearing.Length);
        bounds.Check($"{path}/width", bearing.Width);
        bounds.Check($"{path}/height", bearing.Height);
        bounds.Check($"{path}/layers", bearing.Layers);
        bounds.Check($"{path}/layerThickness", bearing.LayerThickness);
        bounds.Check($"{path}/shearModulus", bearing.ShearModulus);
        bounds.Check($"{path}/plateThickness", bearing.PlateThickness);
        bounds.Check($"{path}/outerLayer", bearing.OuterLayer);
        bounds.Check($"{path}/edgeCover", bearing.EdgeCover);
        if (bearing.Freedom == Freedom.Elastomeric)
            Laminated(bearing, path, UnitSystem.Named(bridge.Basis.Units), bounds);
        foreach (var (name, value) in new[] { ("along", bearing.Along), ("across", bearing.Across), ("upright", bearing.Upright) })
            bounds.Check($"{path}/{name}", value);
    }

    /// <summary>Rubber and plates of an elastomeric bearing against its size.</summary>
    private static void Laminated(BearingType bearing, string path, UnitSystem units, Bounds bounds)
    {
        if (bearing.RubberThickness() >= bearing.Height)
            bounds.Error($"{path}/height", "The layers of rubber are thicker than the bearing is high.");
        else if (Math.Abs(bearing.Stack() - bearing.Height) > 0.0005)
            bounds.Warning(
                $"{path}/height",
                $"“{bearing.Name}” is {units.FormatWithUnit(bearing.Height, QuantityKind.Size)} high, its rubber and plates together "
                    + $"{units.FormatWithUnit(bearing.Stack(), QuantityKind.Size)}."
            );
        if (Math.Min(bearing.Length, bearing.Width) <= 2 * bearing.EdgeCover)
            bounds.Error($"{path}/edgeCover", "The rubber around the plates leaves no room for them.");
    }
}
