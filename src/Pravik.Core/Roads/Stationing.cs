using System.Collections.Immutable;

namespace Pravik.Core.Roads;

/// <summary>Stations as shown, after station equations, from running stations and back.</summary>
public sealed class Stationing(ImmutableArray<StationEquation> equations)
{
    /// <summary>The station shown at a running station; on an equation itself the one ahead.</summary>
    public double Shown(double running)
    {
        var last = equations.LastOrDefault(e => e.At <= running);
        return last is null ? running : last.Ahead + (running - last.At);
    }

    /// <summary>All running stations that are shown as a station: more than one where stations overlap, none in a gap.</summary>
    public ImmutableArray<double> Running(double shown)
    {
        var found = ImmutableArray.CreateBuilder<double>();
        var (from, offset) = (double.NegativeInfinity, 0.0);
        for (var i = 0; i <= equations.Length; i++)
        {
            var to = i < equations.Length ? equations[i].At : double.PositiveInfinity;
            var running = shown - offset;
            if (running >= from && running < to)
                found.Add(running);
            if (i < equations.Length)
                (from, offset) = (equations[i].At, equations[i].Ahead - equations[i].At);
        }
        return found.ToImmutable();
    }
}
