using Pravik.Core.Findings;
using Pravik.Core.Places;

namespace Pravik.Core.Models;

/// <summary>What an engineer would want to know about a model before trusting it.</summary>
public static class ModelChecks
{
    /// <summary>Pieces of a girder together may be shorter than the girder by this part, as chords of a curve are.</summary>
    private const double Shortest = 0.001;

    /// <summary>A unit whose bearings let it go nowhere along the road: held at every axis, or at both ends.</summary>
    public static IEnumerable<Finding> Expansion(BridgeGeometry geometry, IReadOnlyList<SupportPlace> supports)
    {
        foreach (var unit in geometry.Units)
        {
            var axes = supports.Where(s => s.Axis.Number - 1 >= unit.FirstSpan && s.Axis.Number - 2 <= unit.LastSpan).ToList();
            bool Holds(SupportPlace s) =>
                s.Bearings.Where(b => unit.Has(b.Span)).ToList() is { Count: > 0 } own
                && own.TrueForAll(b => double.IsInfinity(b.Type.Shear().Along));
            var held = axes.Where(Holds).ToList();
            if (held.Count < 2 || !(held.Count == axes.Count || (Holds(axes[0]) && Holds(axes[^1]))))
                continue;
            var length = geometry.Axes[unit.LastSpan + 1].Station - geometry.Axes[unit.FirstSpan].Station;
            yield return Finding.Warning(
                $"/supports/{held[1].Axis.Number}/choices/bearing",
                $"The deck cannot expand between axes {held[0].Axis.Name} and {held[^1].Axis.Name}: every bearing there holds it "
                    + "along the road.",
                $"For 30 K it wants {1000 * 30 * ModelBuilder.Expansion * length:0} mm; held, it pushes with E·A·α·ΔT. Let "
                    + "bearings move along at all axes but one."
            ) with
            {
                Station = held[^1].Axis.Station,
            };
        }
    }

    /// <summary>
    /// Members that are longer or shorter than what they stand for, of another material than was meant, and stiffness that nothing
    /// uses.
    /// </summary>
    public static IEnumerable<Finding> Members(BridgeGeometry geometry, BridgeModel model)
    {
        var frame = model.Frame;
        foreach (var girder in geometry.Girders)
        {
            for (var span = 0; span < geometry.SpanCount; span++)
            {
                var (first, last) = model.Mesh.Spans[span];
                var there = Enumerable.Range(first, last - first).Where(row => model.GirderBeams[girder.Number - 1][row] >= 0).ToList();
                var beams = there.ConvertAll(row => frame.Beams[model.GirderBeams[girder.Number - 1][row]]);
                if (beams.Count == 0)
                    continue;
                if (beams.Count < last - first)
                    yield return Finding.Warning(
                        "/model/changes",
                        $"{girder.Name} has a gap in span {span + 1}: a piece of it was left out by hand."
                    );
                var length = beams.Sum(b => (frame.Nodes[b.J].At + b.OffsetJ - frame.Nodes[b.I].At - b.OffsetI).Length);
                var wanted = girder.SpanLength(span) * there.Sum(row => model.Mesh.PartOf(span, row));
                if (length < wanted * (1 - Shortest))
                    yield return Finding.Warning(
                        "/model/divisions",
                        $"The members of {girder.Name} in span {span + 1} are {100 * (1 - length / wanted):0.0} % shorter than "
                            + "the girder: chords cut its curve. Take more pieces."
                    );
                foreach (
                    var other in beams
                        .Where(b => b.Material is not (ModelBuilder.GirderMaterial or >= ModelBuilder.SteelMaterial))
                        .Select(b => (b.Id, frame.Materials[b.Material].Id))
                )
                    yield return Finding.Warning(
                        "/model/changes",
                        $"{other.Item1} is of the material “{other.Item2}”, not of the girders': changed by hand."
                    );
            }
        }
        var used = frame.Beams.Select(b => b.Section).ToHashSet();
        foreach (var section in frame.Sections.Where((_, i) => !used.Contains(i)).Where(s => s.Id.Contains('×')))
            yield return Finding.Warning("/model/changes", $"The stiffness “{section.Id}” is used by no member: its member was left out.");
        var loose = frame.Springs.Where(s => s.Stiffness.All(k => k == 0)).ToList();
        foreach (var spring in loose)
            yield return Finding.Warning("/bearings", $"The bearing {spring.Id} has no stiffness in any direction.");
    }
}
