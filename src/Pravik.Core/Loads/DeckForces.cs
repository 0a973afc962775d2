using Pravik.Core.Bridges;
using Pravik.Core.Models;
using Pravik.Core.Places;

namespace Pravik.Core.Loads;

/// <summary>Own loads on the deck.</summary>
public static class DeckForces
{
    /// <summary>
    /// Vertical loads on a mesh for a case of the engineer's own (N, down positive). Lines at one offset are put on piece by piece of the
    /// mesh, other lines and patches on as many points, at most 0.25 m apart but no more than 400 each way; each point goes to the four
    /// joints around it by the lever rule. What lies beyond the edges goes to the edge.
    /// </summary>
    public static DeckLoads Own(BridgeGeometry geometry, DeckMesh mesh, OwnCase own)
    {
        var all = new DeckLoads(mesh);
        var lines = new Dictionary<double, DeckLine>();
        DeckLine Line(double offset) =>
            lines.TryGetValue(offset, out var known) ? known : lines[offset] = DeckLine.At(mesh, geometry, offset);
        foreach (var load in own.Loads)
        {
            var (length, width) = (load.ToStation - load.Station, load.ToOffset - load.Offset);
            int Pieces(double size) => (int)Math.Clamp(Math.Ceiling(Math.Abs(size) / 0.25), 1, 400);
            switch (load.Kind)
            {
                case OwnLoadKind.Point:
                    Put(Line(load.Offset), all, load.Station, load.Value);
                    break;
                case OwnLoadKind.Line when width == 0 && IsOn(Line(load.Offset), load):
                    Spread(Line(load.Offset), all, load);
                    break;
                case OwnLoadKind.Line:
                    var n = Pieces(Math.Max(Math.Abs(length), Math.Abs(width)));
                    for (var i = 0; i < n; i++)
                    {
                        double Station(double t) => load.Station + t * length;
                        double Offset(double t) => load.Offset + t * width;
                        var (a, b) = ((double)i / n, (i + 1.0) / n);
                        var piece = Geometry.Point.Distance(
                            geometry.Road.At(Station(a), Offset(a)),
                            geometry.Road.At(Station(b), Offset(b))
                        );
                        Put(Line(Offset((a + b) / 2)), all, Station((a + b) / 2), load.Value * piece);
                    }
                    break;
                default:
                    var (along, across) = (Pieces(length), Pieces(width));
                    for (var i = 0; i < along; i++)
                    {
                        for (var j = 0; j < across; j++)
                        {
                            var (from, to, offset) = (
                                load.Station + length * i / along,
                                load.Station + length * (i + 1) / along,
                                load.Offset + width * (j + 0.5) / across
                            );
                            Put(
                                Line(offset),
                                all,
                                (from + to) / 2,
                                load.Value
                                    * Math.Abs(geometry.Road.Line.LengthAt(offset, Math.Min(from, to), Math.Max(from, to)))
                                    * Math.Abs(width)
                                    / across
                            );
                        }
                    }
                    break;
            }
        }
        return all;
    }

    /// <summary>Whether a line lies on the deck with all of its length.</summary>
    private static bool IsOn(DeckLine line, OwnLoad load) =>
        Math.Min(load.Station, load.ToStation) >= line.Station[0] && Math.Max(load.Station, load.ToStation) <= line.Station[^1];

    /// <summary>A line at one offset, piece by piece of the mesh: what lies on a piece acts in the middle of its part of it.</summary>
    private static void Spread(DeckLine line, DeckLoads all, OwnLoad load)
    {
        var (from, to) = (Math.Min(load.Station, load.ToStation), Math.Max(load.Station, load.ToStation));
        for (var k = 0; k + 1 < line.Station.Length; k++)
        {
            var (first, size) = (line.Station[k], line.Station[k + 1] - line.Station[k]);
            var (a, b) = (Math.Max(from, first), Math.Min(to, line.Station[k + 1]));
            if (b <= a || line.Length[k] == 0)
                continue;
            var (on, t) = (load.Value * line.Length[k] * (b - a) / size, ((a + b) / 2 - first) / size);
            all.Put(line, k, atEnd: false, on * (1 - t));
            all.Put(line, k, atEnd: true, on * t);
        }
    }

    /// <summary>
    /// Shares a load among the joints around a place: along between the rows before and after it, across on each by the lever rule.
    /// </summary>
    private static void Put(DeckLine line, DeckLoads all, double station, double load)
    {
        var last = line.Station.Length - 1;
        var k = 0;
        while (k < last - 1 && line.Station[k + 1] < station)
            k++;
        // Never over the gap where the deck is parted.
        if (line.Length[k] == 0 && k > 0)
            k--;
        var size = line.Station[k + 1] - line.Station[k];
        var t = size > 0 ? Math.Clamp((station - line.Station[k]) / size, 0, 1) : 0;
        all.Put(line, k, atEnd: false, load * (1 - t));
        all.Put(line, k, atEnd: true, load * t);
    }
}
