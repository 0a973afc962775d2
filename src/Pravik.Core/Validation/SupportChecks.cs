using System.Globalization;
using Pravik.Core.Findings;
using Pravik.Core.Places;
using Pravik.Core.Roads;
using Pravik.Core.Units;

namespace Pravik.Core.Validation;

/// <summary>What does not fit together at a support: levels, bearings and their shelf, columns, piles and ground.</summary>
public static class SupportChecks
{
    /// <summary>Height of a column or wall that a repair leaves (m).</summary>
    private const double LeastHeight = 1;

    /// <summary>What does not fit about supports and the ground under them.</summary>
    public static IEnumerable<Finding> Check(BridgeGeometry geometry, Ground? ground)
    {
        var units = UnitSystem.Named(geometry.Bridge.Basis.Units);
        return SupportPlace.All(geometry, ground).SelectMany(s => At(s, ground, units));
    }

    private static IEnumerable<Finding> At(SupportPlace support, Ground? ground, UnitSystem units)
    {
        var (values, axis) = (support.Values, support.Axis);
        string Size(double length) => units.FormatWithUnit(length, QuantityKind.Size);
        string Path(string size) => $"/supports/{axis.Number}/sizes/{size}";
        Finding Warn(string size, string message, string? why = null) =>
            Finding.Warning(Path(size), message, why) with
            {
                Station = axis.Station,
            };

        var lowest = support.Bearings.MinBy(b => b.Seat)!;
        if (lowest.Seat - support.ShelfLevel < Math.Min(1e-6, values.Size("leastPlinth")) - 1e-9)
            yield return Warn(
                "shelfLevel",
                $"The shelf at axis {axis.Name} lies {Size(support.ShelfLevel - lowest.Seat)} above the seat of {lowest.Girder.Name}."
            ) with
            {
                Repair = new("Let the shelf follow from the least plinth", [new("remove", Path("shelfLevel"), "null")]),
            };
        var shelf =
            values.IsAbutment ? "seatFront"
            : values.Is("pier", "wall") ? "wallThickness"
            : "capWidth";
        var (front, back) = values.IsAbutment
            ? (support.Front * values.Size(shelf), support.BackFace)
            : (values.Size(shelf) / 2, -values.Size(shelf) / 2);
        if (front < back)
            (front, back) = (back, front);
        foreach (var bearing in support.Bearings)
        {
            var v = support.Local(bearing.At).Y;
            var beyond = Math.Max(back - (v - bearing.Type.Length / 2), v + bearing.Type.Length / 2 - front);
            if (beyond <= 1e-6)
                continue;
            yield return Warn(
                shelf,
                $"The bearing of {bearing.Girder.Name} at axis {axis.Name} reaches {Size(beyond)} beyond its shelf. Widen the "
                    + "shelf, or move the bearing."
            );
            break;
        }
        var gap = support.Bearings.Max(b =>
            b.IsAhead ? support.Geometry.LayoutOf(b.Span).StartGap : support.Geometry.LayoutOf(b.Span).EndGap
        );
        if (values.Rows == 2 && values.BearingDistance < gap + lowest.Type.Length / 2 - 1e-9)
            yield return Warn(
                "bearingDistance",
                $"Bearings at axis {axis.Name} lie beyond the ends of the girders: from the axis to a bearing must be at least "
                    + $"{Size(gap + lowest.Type.Length / 2)}."
            );
        if (!values.IsAbutment && !values.Is("pier", "wall"))
        {
            var (from, to) = (support.FirstGirder - values.Size("capOverhang"), support.LastGirder + values.Size("capOverhang"));
            var beyond = Math.Max(from - support.Stems.Min(s => s.U - s.Width / 2), support.Stems.Max(s => s.U + s.Width / 2) - to);
            if (beyond > 1e-6)
                yield return Warn(
                    "columnSpacing",
                    $"The outer columns at axis {axis.Name} reach {Size(beyond)} beyond the crosshead. Bring them nearer, or lengthen it."
                );
            for (var i = 1; i < support.Stems.Length; i++)
            {
                if (support.Stems[i].U - support.Stems[i - 1].U > support.Stems[i].Width + 1e-6)
                    continue;
                yield return Warn("columnSpacing", $"Columns at axis {axis.Name} touch each other.");
                break;
            }
        }
        var foot = values.Is("pier", "pileBent") ? support.LowestGround ?? double.NegativeInfinity : support.FootTop;
        if (!values.IsSeat && support.CapSoffit <= foot + 1e-6)
            yield return Warn(
                values.Own("foundingLevel") is null ? "foundingDepth" : "foundingLevel",
                $"At axis {axis.Name} the foundation's top, {units.FormatWithUnit(foot, QuantityKind.Length)}, lies above the "
                    + $"underside of what it should carry, {units.FormatWithUnit(support.CapSoffit, QuantityKind.Length)}: nothing "
                    + "is left between them. Found it deeper."
            ) with
            {
                Repair = values.Is("pier", "pileBent") ? null : Deeper(support, units),
            };
        if (ground is not null && support.LowestGround is null)
            yield return Warn(
                "foundingDepth",
                $"The ground does not reach under all of the foundation at axis {axis.Name}: it stands as where there is none."
            );
        else if (
            support.LowestGround is { } lowestGround
            && !values.Is("pier", "pileBent")
            && !values.IsSeat
            && support.FootTop > lowestGround + 1e-6
        )
            yield return Warn(
                values.Own("foundingLevel") is null ? "foundingDepth" : "foundingLevel",
                $"The foundation at axis {axis.Name} stands "
                    + $"{units.FormatWithUnit(support.FootTop - lowestGround, QuantityKind.Length)} above the lowest ground under it."
            ) with
            {
                Repair = values.Own("foundingLevel") is null
                    ? null
                    : new("Found it by its depth below the ground", [new("remove", Path("foundingLevel"), "null")]),
            };
        if (values.HasPiles)
        {
            var (spacing, radius) = (support.PileSpacing, values.Size("pileDiameter") / 2);
            var (width, length) = values.Is("abutment", "piled")
                ? (support.Stems[0].Width, support.Stems[0].Length)
                : (support.Feet[0].To - support.Feet[0].From, support.Feet[0].Ahead - support.Feet[0].Back);
            var (across, along) = (
                (values.Size("pilesAcross") - 1) * spacing / 2 + radius,
                (values.Size("pilesAlong") - 1) * spacing / 2 + radius
            );
            if (across > width / 2 + 1e-6 || along > length / 2 + 1e-6)
                yield return Warn(
                    across > width / 2 + 1e-6 ? "pilesAcross" : "pilesAlong",
                    $"The outer piles at axis {axis.Name} reach {Size(Math.Max(across - width / 2, along - length / 2))} beyond their cap."
                );
            if (spacing < 2 * radius + 1e-6)
                yield return Warn("pileSpacing", $"The piles at axis {axis.Name} touch each other.");
        }
    }

    /// <summary>Founds a support so deep that something is left between its foundation and what it carries.</summary>
    private static Repair Deeper(SupportPlace support, UnitSystem units)
    {
        var level = Math.Floor(100 * (support.CapSoffit - LeastHeight - (support.FootTop - support.FoundingLevel))) / 100;
        var number = level.ToString("R", CultureInfo.InvariantCulture);
        var own = support.Geometry.Bridge.Supports.TryGetValue($"{support.Axis.Number}", out _);
        var patch = own
            ? new RepairOperation("add", $"/supports/{support.Axis.Number}/sizes/foundingLevel", number)
            : new RepairOperation("add", $"/supports/{support.Axis.Number}", $$$"""{"sizes":{"foundingLevel":{{{number}}}}}""");
        return new($"Found it at {units.FormatWithUnit(level, QuantityKind.Length)}", [patch]);
    }
}
