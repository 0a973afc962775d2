using Pravik.Core.Bridges;
using Pravik.Core.Materials;
using Pravik.Core.Places;
using Pravik.Core.Units;

namespace Pravik.Core.Validation;

/// <summary>Whether tendons are sound, and lie in the concrete.</summary>
internal static class TendonValidation
{
    private const int Most = 50;
    private const int MostPoints = 100;
    private const int Places = 40;

    /// <summary>Whether all parts are there.</summary>
    public static void Parts(Bridge bridge, Bounds bounds)
    {
        var tendons = bridge.Girders.Tendons;
        if (tendons.IsDefault || tendons.Any(t => t?.Name is null))
            bounds.Error("/girders/tendons", "The list of tendons, or an item of it, is missing.");
        else if (tendons.Any(t => t.Points.IsDefault || t.Points.Contains(null!)))
            bounds.Error("/girders/tendons", "The points of a tendon, or one of them, are missing.");
    }

    /// <summary>Values of each tendon; names are those of loads that are there already.</summary>
    public static void Check(Bridge bridge, HashSet<string> names, Bounds bounds)
    {
        var tendons = bridge.Girders.Tendons;
        if (tendons.Length > Most)
            bounds.Error("/girders/tendons", $"There are at most {Most} tendons.");
        for (var i = 0; i < tendons.Length; i++)
        {
            var (tendon, path) = (tendons[i], $"/girders/tendons/{i}");
            bounds.Text($"{path}/name", tendon.Name);
            if (string.IsNullOrWhiteSpace(tendon.Name) || tendon.Name.Contains(','))
                bounds.Error($"{path}/name", "A tendon needs a name, without a comma in it.");
            else if (!names.Add(tendon.Name))
                bounds.Error($"{path}/name", $"There is another load named “{tendon.Name}”.");
            bounds.Text($"{path}/girders", tendon.Girders);
            bounds.Among($"{path}/jacked", tendon.Jacked, Tendon.Jackings);
            foreach (
                var (name, value) in new (string, double?)[]
                {
                    ("ducts", tendon.Ducts),
                    ("strands", tendon.Strands),
                    ("ductDiameter", tendon.DuctDiameter),
                    ("jackStress", tendon.JackStress),
                    ("friction", tendon.Friction),
                    ("wobble", tendon.Wobble),
                    ("drawIn", tendon.DrawIn),
                    ("effectiveStress", tendon.EffectiveStress),
                }
            )
                bounds.Check($"{path}/{name}", value);
            Points(bridge, tendon, path, bounds);
        }
    }

    private static void Points(Bridge bridge, Tendon tendon, string path, Bounds bounds)
    {
        if (tendon.Points.Length is < 2 or > MostPoints)
        {
            bounds.Error($"{path}/points", $"A tendon goes through 2 to {MostPoints} points.");
            return;
        }
        for (var i = 0; i < tendon.Points.Length; i++)
        {
            var (point, at) = (tendon.Points[i], $"{path}/points/{i}");
            bounds.Check($"{at}/span", point.Span);
            bounds.Check($"{at}/at", point.At);
            bounds.Check($"{at}/level", point.Level);
            bounds.Check($"{at}/turn", point.Turn);
            if (point.Span > bridge.Axes.Spans.Length)
                bounds.Error($"{at}/span", $"There is no span {point.Span}: the bridge has {bridge.Axes.Spans.Length}.");
            if (i > 0 && point.Span + point.At <= tendon.Points[i - 1].Span + tendon.Points[i - 1].At)
                bounds.Error($"{at}/at", $"Point {i + 1} of “{tendon.Name}” does not lie ahead of the one before it.");
        }
    }

    /// <summary>Whether tendons lie in girders that exist, in their concrete, and are jacked to what the standard allows.</summary>
    public static void Fit(BridgeGeometry geometry, UnitSystem units, Bounds bounds)
    {
        var (all, steel) = (geometry.Bridge.Girders.Tendons, PrestressingSteel.Of(geometry.Bridge.Materials.Strand));
        for (var i = 0; i < all.Length; i++)
        {
            var (tendon, path) = (all[i], $"/girders/tendons/{i}");
            var named = (tendon.Girders ?? "").Split(',', StringSplitOptions.TrimEntries | StringSplitOptions.RemoveEmptyEntries);
            foreach (var name in tendon.Girders is null ? [] : named)
            {
                if (!int.TryParse(name, out var number) || number < 1 || number > geometry.Girders.Length)
                    bounds.Error($"{path}/girders", $"There is no girder “{name}”: girders are numbered 1 to {geometry.Girders.Length}.");
            }
            if (tendon.Girders is not null && named.Length == 0)
                bounds.Error($"{path}/girders", $"“{tendon.Name}” lies in no girder.");
            if (tendon.Jack(steel) > steel.MostAtJack)
                bounds.Fault(
                    $"{path}/jackStress",
                    $"Strands are stressed to at most min(0.8 f_pk, 0.9 f_p0.1k) = "
                        + $"{units.FormatWithUnit(steel.MostAtJack, QuantityKind.Stress)} (EN 1992-1-1 5.10.2.1)."
                );
            Duct(tendon, path, steel, bounds);
            foreach (var girder in geometry.Girders)
            {
                if (TendonPath.Of(geometry, tendon, girder) is { } course && Outside(geometry, girder, tendon, course) is var (span, t))
                {
                    var at = units.FormatWithUnit(t * girder.SpanLength(span), QuantityKind.Length);
                    bounds.Fault(
                        $"{path}/points",
                        $"“{tendon.Name}” lies outside the concrete of {girder.Name}, {at} after the beginning of span {span + 1}."
                    );
                    break;
                }
            }
        }
    }

    private static void Duct(Tendon tendon, string path, PrestressingSteel steel, Bounds bounds)
    {
        if (tendon.Strands * steel.Area > Math.PI / 4 * tendon.DuctDiameter * tendon.DuctDiameter / 2)
            bounds.Warning(
                $"{path}/ductDiameter",
                $"The strands of “{tendon.Name}” fill more than half of the duct.",
                "Grout does not flow past them as it should; systems ask for about twice the area of the strands."
            );
    }

    /// <summary>The first place at which a duct is not within the concrete; null where it is everywhere.</summary>
    private static (SpanIndex Span, double Part)? Outside(BridgeGeometry geometry, GirderLine girder, Tendon tendon, TendonPath course)
    {
        foreach (var span in geometry.SpanIndices)
        {
            for (var i = 0; i <= Places; i++)
            {
                var t = (double)i / Places;
                if (!course.Passes(span, t))
                    continue;
                var section = geometry.SectionOf(girder, span, t);
                var (level, over) = (course.LevelAt(span, t), tendon.DuctDiameter / 2);
                var top = section.Depth + geometry.Haunch(span) + geometry.SlabThickness(girder, span, t);
                if (level < over || level > top - over)
                    return (span, t);
            }
        }
        return null;
    }
}
