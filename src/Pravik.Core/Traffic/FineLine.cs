using System.Collections.Concurrent;
using System.Runtime.CompilerServices;
using Pravik.Core.Models;
using Pravik.Core.Vehicles;

namespace Pravik.Core.Traffic;

/// <summary>Where a wheel stands among the joints of a mesh: between two rows, and on each of them between two joints.</summary>
/// <param name="Row">The row at or before it; −1 off the deck.</param>
/// <param name="Part">The part of the piece ahead of that row.</param>
/// <param name="Joint">The joint left of its line on that row; the one on the right is the next.</param>
/// <param name="Weight">Share of the joint on the right.</param>
/// <param name="NextJoint">The same on the next row.</param>
/// <param name="NextWeight">The same on the next row.</param>
internal readonly record struct WheelPlace(int Row, double Part, int Joint, double Weight, int NextJoint, double NextWeight)
{
    /// <summary>Off the deck.</summary>
    public static WheelPlace None { get; } = new(-1, 0, 0, 0, 0, 0);

    /// <summary>The ordinate of a surface here, just ahead of a row on which it stands.</summary>
    /// <param name="surface">The surface.</param>
    /// <param name="longitudinals">Joints on a row.</param>
    [MethodImpl(MethodImplOptions.AggressiveInlining)]
    public double Read(InfluenceSurface surface, int longitudinals)
    {
        if (Row < 0)
            return 0;
        var from = Between(surface.Ordinates, Joint, Weight);
        var jump = surface.Jump;
        if (jump is not null && jump.Row == Row)
            from += Between(jump.Ahead, Joint - Row * longitudinals, Weight);
        if (Part == 0)
            return from;
        var to = Between(surface.Ordinates, NextJoint, NextWeight);
        if (jump is not null && jump.Row == Row + 1)
            to += Between(jump.Behind, NextJoint - (Row + 1) * longitudinals, NextWeight);
        return from + Part * (to - from);
    }

    private static double Between(double[] values, int left, double weight) => values[left] + weight * (values[left + 1] - values[left]);
}

/// <summary>Where a line at one offset crosses the rows of a mesh.</summary>
internal sealed class FineLine
{
    private const double Tiny = 1e-9;
    private readonly int[] joint;
    private readonly double[] weight;

    /// <param name="mesh">The mesh.</param>
    /// <param name="offset">The offset (m); beyond the deck's edges it is taken to the edge.</param>
    public FineLine(DeckMesh mesh, double offset)
    {
        (joint, weight, Station) = (new int[mesh.Lines], new double[mesh.Lines], new double[mesh.Lines]);
        for (var row = 0; row < mesh.Lines; row++)
        {
            var j = 0;
            while (j < mesh.Longitudinals - 2 && mesh.Nodes[mesh.NodeAt(j + 1, row)].Offset < offset)
                j++;
            var (left, right) = (mesh.Nodes[mesh.NodeAt(j, row)], mesh.Nodes[mesh.NodeAt(j + 1, row)]);
            joint[row] = mesh.NodeAt(j, row);
            weight[row] = Math.Clamp((offset - left.Offset) / (right.Offset - left.Offset), 0, 1);
            Station[row] = left.Station + weight[row] * (right.Station - left.Station);
        }
    }

    /// <param name="line">The same line, found before.</param>
    public FineLine(DeckLine line) => (joint, weight, Station) = (line.Node, line.Weight, line.Station);

    /// <summary>Station at each row.</summary>
    public double[] Station { get; }

    /// <summary>A wheel at a station (m).</summary>
    /// <param name="station">The station.</param>
    /// <param name="near">A row to look from.</param>
    [MethodImpl(MethodImplOptions.AggressiveInlining)]
    public WheelPlace At(double station, int near)
    {
        var row = near;
        while (row > 0 && Station[row] > station + Tiny)
            row--;
        while (row + 1 < Station.Length && Station[row + 1] <= station + Tiny)
            row++;
        // The last row is the end of the deck: what stands on it still bears on it.
        if (row == Station.Length - 1 && station <= Station[row] + Tiny)
            row--;
        if (row == Station.Length - 1 || Station[row] > station + Tiny)
            return WheelPlace.None;
        var part = Math.Clamp((station - Station[row]) / (Station[row + 1] - Station[row]), 0, 1);
        return new(row, part < Tiny ? 0 : part, joint[row], weight[row], joint[row + 1], weight[row + 1]);
    }
}

/// <summary>Lines in fine steps across a deck, found when they are asked for. Safe for use by several threads.</summary>
internal sealed class FineLines(DeckMesh mesh)
{
    /// <summary>From one line to the next (m).</summary>
    public const double Step = 0.01;
    private readonly ConcurrentDictionary<WheelTracks, FineRuns> ofVehicles = new();
    private readonly ConcurrentDictionary<long, FineLine> all = new();
    private readonly int first = (int)(mesh.Nodes.Min(n => n.Offset) / Step) - Beyond;
    private readonly int last = (int)(mesh.Nodes.Max(n => n.Offset) / Step) + Beyond;

    /// <summary>How far beyond the deck's edges the middle of a vehicle may be (steps).</summary>
    private const int Beyond = 1000;

    /// <summary>Joints on a row of the mesh.</summary>
    public int Longitudinals => mesh.Longitudinals;

    /// <summary>The lines that wheels follow.</summary>
    /// <param name="tracks">Where they lie from the middle of the vehicle.</param>
    public FineRuns Of(WheelTracks tracks) => ofVehicles.GetOrAdd(tracks, of => new(this, of, first, last - first + 1));

    /// <summary>The line at an offset (m).</summary>
    public FineLine At(double offset) => all.GetOrAdd((long)Math.Round(offset * 1e10), key => new(mesh, key / 1e10));
}

/// <summary>The lines that the wheels of a vehicle follow with its middle at fine steps across, found when they are asked for.</summary>
internal sealed class FineRuns(FineLines lines, WheelTracks tracks, int first, int count)
{
    private readonly FineLine[]?[] known = new FineLine[count][];

    /// <summary>The lines, from the left, with the middle so many steps from the road line.</summary>
    public FineLine[] At(int middle)
    {
        ref var at = ref known[Math.Clamp(middle - first, 0, count - 1)];
        return Volatile.Read(ref at) ?? Make(ref at, middle);
    }

    private FineLine[] Make(ref FineLine[]? at, int middle)
    {
        FineLine[] made = [.. tracks.Across.Select(a => lines.At(middle * FineLines.Step + a))];
        Volatile.Write(ref at, made);
        return made;
    }
}
