using System.Collections.Immutable;
using Pravik.Core.Trusses;

namespace Pravik.Web.Trusses;

/// <summary>What is picked of a scheme: bars and joints, several parted by “+”.</summary>
internal sealed class TrussPicks
{
    private const string Joint = "/parts/joints/";

    /// <summary>Reads what is picked; what there is not is left out.</summary>
    public TrussPicks(TrussScheme scheme, string? pick)
    {
        var parts = (pick ?? "").Split('+', StringSplitOptions.RemoveEmptyEntries);
        var places = TrussEdits.Places(scheme);
        Bars =
        [
            .. parts
                .Select(p => p.Split('/') is ["", "bars", var i] && int.TryParse(i, out var bar) ? bar : -1)
                .Where(b => b >= 0 && b < scheme.Bars.Length)
                .Distinct()
                .Order(),
        ];
        Joints =
        [
            .. parts
                .Select(p =>
                    p.StartsWith(Joint, StringComparison.Ordinal) ? p[Joint.Length..]
                    : p.Split('/') is ["", "joints", var i, ..] && int.TryParse(i, out var j) && j >= 0 && j < scheme.Joints.Length
                        ? scheme.Joints[j].Id
                    : ""
                )
                .Where(places.ContainsKey)
                .Distinct(),
        ];
    }

    /// <summary>Bars, by their places in the list.</summary>
    public ImmutableArray<int> Bars { get; }

    /// <summary>Joints, by their ids.</summary>
    public ImmutableArray<string> Joints { get; }

    /// <summary>Whether nothing is picked.</summary>
    public bool IsEmpty => Bars.IsEmpty && Joints.IsEmpty;

    /// <summary>The parts as drawings name them.</summary>
    public ImmutableHashSet<string> Parts => [.. Bars.Select(PathOf), .. Joints.Select(j => Joint + j)];

    /// <summary>Path of a bar.</summary>
    public static string PathOf(int bar) => $"/bars/{bar}";

    /// <summary>Bars as one pick.</summary>
    public static string PathOf(IEnumerable<int> bars) => string.Join('+', bars.Select(PathOf));
}
