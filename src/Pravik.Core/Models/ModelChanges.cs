using System.Collections.Immutable;
using Pravik.Core.Bridges;
using Pravik.Core.Frames;

namespace Pravik.Core.Models;

/// <summary>Puts the changes made by hand into a model that has just been generated.</summary>
internal static class ModelChanges
{
    /// <summary>
    /// New places of beams and shells (−1 for those left out), and words for the changes whose part the model does not have.
    /// </summary>
    public static (int[] Beams, int[] Shells, ImmutableArray<string> Unmet) Apply(FrameParts parts, ImmutableArray<ModelChange> changes)
    {
        var (beams, shells) = (Enumerable.Range(0, parts.Beams.Count).ToArray(), Enumerable.Range(0, parts.Shells.Count).ToArray());
        if (changes.IsEmpty)
            return (beams, shells, []);
        var unmet = ImmutableArray.CreateBuilder<string>();
        var deleted = new HashSet<string>();
        foreach (var change in changes)
        {
            var (beam, shell) = (parts.Beams.FindIndex(b => b.Id == change.Part), parts.Shells.FindIndex(s => s.Id == change.Part));
            var material = parts.Materials.FindIndex(m => m.Id == change.Material);
            switch (change.Kind)
            {
                case ModelChangeKind.Delete when beam >= 0 || shell >= 0:
                    deleted.Add(change.Part);
                    break;
                case ModelChangeKind.Restrain when parts.Nodes.FindIndex(n => n.Id == change.Part) is var node and >= 0:
                    parts.Supports.Add(new(node, [.. Read(change.Directions)], [0, 0, 0, 0, 0, 0]));
                    break;
                case ModelChangeKind.Stiffness when beam >= 0:
                    var (b, f) = (parts.Beams[beam], change.Factor);
                    var s = parts.Sections[b.Section];
                    parts.Beams[beam] = b with { Section = parts.Section($"{s.Id} ×", s.A * f, s.Iy * f, s.Iz * f, s.J * f) };
                    break;
                case ModelChangeKind.Stiffness when shell >= 0:
                    // Bending goes with the cube of the thickness: a shell gets a material of its own instead.
                    var of = parts.Materials[parts.Shells[shell].Material];
                    parts.Materials.Add(of with { Id = $"{of.Id} × {change.Part}", E = of.E * change.Factor });
                    parts.Shells[shell] = parts.Shells[shell] with { Material = parts.Materials.Count - 1 };
                    break;
                case ModelChangeKind.Material when beam >= 0 && material >= 0:
                    parts.Beams[beam] = parts.Beams[beam] with { Material = material };
                    break;
                case ModelChangeKind.Material when shell >= 0 && material >= 0:
                    parts.Shells[shell] = parts.Shells[shell] with { Material = material };
                    break;
                case ModelChangeKind.Section when beam >= 0 && parts.Beams.FindIndex(o => o.Id == change.Like) is var like and >= 0:
                    parts.Beams[beam] = parts.Beams[beam] with { Section = parts.Beams[like].Section };
                    break;
                default:
                    unmet.Add($"{change.Kind} of “{change.Part}”");
                    break;
            }
        }
        Number(parts.Beams, beams, b => b.Id, deleted);
        Number(parts.Shells, shells, s => s.Id, deleted);
        return (beams, shells, unmet.ToImmutable());
    }

    /// <summary>The directions that a text names, in their order; unknown words are left out.</summary>
    public static IEnumerable<FrameDirection> Read(string text)
    {
        var words = text.Split([' ', ','], StringSplitOptions.RemoveEmptyEntries);
        return FrameDirections.All.Where(d => words.Contains(d.Name()));
    }

    private static void Number<T>(List<T> list, int[] places, Func<T, string> id, HashSet<string> deleted)
    {
        var next = 0;
        for (var i = 0; i < places.Length; i++)
            places[i] = deleted.Contains(id(list[i])) ? -1 : next++;
        list.RemoveAll(item => deleted.Contains(id(item)));
    }
}
