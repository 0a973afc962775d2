using System.Collections.Immutable;
using Pravik.Core.Bridges;

namespace Pravik.Core.Places;

/// <summary>What parts traffic across the deck: from its face to its back (offsets, left first).</summary>
public readonly record struct Restraint(double From, double To);

/// <summary>A stretch across the deck on which notional lanes may lie (offsets, left first).</summary>
public readonly record struct Carriageway(double From, double To)
{
    private const double Tiny = 1e-6;

    /// <summary>What is narrower is no carriageway: no vehicle drives there, as behind a barrier on the deck's edge (m).</summary>
    public const double Least = 2;

    /// <summary>Width (m).</summary>
    public double Width => To - From;

    /// <summary>Whether an offset lies within it.</summary>
    public bool Contains(double offset) => offset > From && offset < To;

    /// <summary>
    /// All carriageways of a section, from the left: strips side by side between kerbs of the least height or restraint systems, edge
    /// beams left out, where at least one of them is a running surface (EN 1991-2 1.4.2.1, 4.2.3). A verge, footway or median behind a
    /// lower kerb belongs to them; behind a higher one it does not.
    /// </summary>
    public static ImmutableArray<Carriageway> Between(
        ImmutableArray<StripPlace> strips,
        IReadOnlyCollection<Restraint> restraints,
        double kerbHeight
    )
    {
        var all = ImmutableArray.CreateBuilder<Carriageway>();
        var i = 0;
        while (i < strips.Length)
        {
            var next = i + 1;
            while (next < strips.Length && CanCross(strips[next - 1], strips[next], kerbHeight))
                next++;
            if (strips[i].Kind != StripKind.EdgeBeam)
                all.AddRange(Parted(strips.AsSpan(i, next - i).ToArray(), restraints));
            i = next;
        }
        return all.ToImmutable();
    }

    /// <summary>Those of several sections as one: what overlaps is joined, which lets traffic go wherever it may in any of them.</summary>
    public static ImmutableArray<Carriageway> Union(IEnumerable<Carriageway> parts)
    {
        List<Carriageway> all = [];
        foreach (var part in parts.OrderBy(p => p.From))
        {
            if (all.Count > 0 && part.From < all[^1].To - Tiny)
                all[^1] = new(all[^1].From, Math.Max(all[^1].To, part.To));
            else
                all.Add(part);
        }
        return [.. all];
    }

    private static bool CanCross(StripPlace left, StripPlace right, double kerbHeight) =>
        left.Kind != StripKind.EdgeBeam
        && right.Kind != StripKind.EdgeBeam
        && Math.Abs(right.SurfaceFrom - left.SurfaceTo) < kerbHeight - 1e-9;

    /// <summary>Strips that traffic can cross, parted by restraint systems; parts without a running surface are left out.</summary>
    private static IEnumerable<Carriageway> Parted(StripPlace[] strips, IEnumerable<Restraint> restraints)
    {
        var (from, end) = (strips[0].From, strips[^1].To);
        foreach (var restraint in restraints.Where(r => r.To > from && r.From < end).OrderBy(r => r.From).Append(new(end, end)))
        {
            var part = new Carriageway(from, Math.Min(restraint.From, end));
            if (
                part.Width > Least - Tiny
                && strips.Any(s => IsRunning(s.Kind) && Math.Min(s.To, part.To) - Math.Max(s.From, part.From) > Tiny)
            )
                yield return part;
            from = Math.Max(from, restraint.To);
        }
    }

    private static bool IsRunning(StripKind kind) => kind is StripKind.Carriageway or StripKind.HardStrip;
}
