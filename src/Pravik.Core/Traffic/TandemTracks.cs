using Pravik.Core.Models;
using Pravik.Core.Places;

namespace Pravik.Core.Traffic;

/// <summary>
/// Every place of a lane across the carriageway and, for each, every place of its tandem along it that can be the worst: influence
/// is linear between mesh lines, so the worst tandem has a wheel on (just behind or just ahead of) one of them.
/// </summary>
internal sealed class TandemTracks
{
    private const double Step = 0.25;
    private const double Nudge = 1e-7;
    private readonly Dictionary<long, int> lineIndex = [];

    public TandemTracks(Grillage grillage, BridgeGeometry geometry, CarriagewayPart carriageway, NotionalLanes lanes)
    {
        Lanes = lanes;
        var room = Math.Max(0, carriageway.Width - lanes.Width);
        var fromLeft = Enumerable.Range(0, (int)Math.Floor(room / Step + 1e-9) + 1).Select(i => i * Step);
        var positions =
            lanes.Count == 2 && lanes.Remaining == 0 && lanes.Width * 2 >= carriageway.Width - 1e-9
                ? [0, room]
                : fromLeft.Concat(fromLeft.Select(p => room - p)).OrderBy(p => p).ToList();
        var lines = new List<DeckLine>();
        foreach (var position in positions)
        {
            if (Tracks.Count > 0 && carriageway.From + position - Tracks[^1].From < 1e-6)
                continue;
            var from = carriageway.From + position;
            var middle = from + lanes.Width / 2;
            var (left, right) = (Line(middle - LoadModel1.WheelSpacing / 2), Line(middle + LoadModel1.WheelSpacing / 2));
            Tracks.Add(new(from, left, right, Places(lines[left], lines[right])));
        }
        Lines = [.. lines];

        int Line(double offset)
        {
            var key = (long)Math.Round(offset * 1e6);
            if (lineIndex.TryGetValue(key, out var index))
                return index;
            lines.Add(DeckLine.At(grillage.Mesh, geometry, offset));
            return lineIndex[key] = lines.Count - 1;
        }
    }

    public NotionalLanes Lanes { get; }

    /// <summary>The lines that wheels run along.</summary>
    public DeckLine[] Lines { get; }

    public List<Track> Tracks { get; } = [];

    /// <summary>A lane whose left edge lies at an offset, its two wheel lines, and its tandem's places.</summary>
    public sealed record Track(double From, int LeftLine, int RightLine, TandemPlace[] Places);

    /// <summary>
    /// A tandem by the station of its middle, with the mesh piece and fraction under each wheel (piece −1: off the deck).
    /// </summary>
    public readonly record struct TandemPlace(
        double Station,
        bool Behind,
        Wheel RearLeft,
        Wheel RearRight,
        Wheel FrontLeft,
        Wheel FrontRight
    )
    {
        public double Sum(in SurfaceProfile left, in SurfaceProfile right) =>
            left.At(RearLeft.Piece, RearLeft.Fraction)
            + right.At(RearRight.Piece, RearRight.Fraction)
            + left.At(FrontLeft.Piece, FrontLeft.Fraction)
            + right.At(FrontRight.Piece, FrontRight.Fraction);
    }

    public readonly record struct Wheel(int Piece, double Fraction);

    private static TandemPlace[] Places(DeckLine left, DeckLine right)
    {
        const double Half = LoadModel1.AxleSpacing / 2;
        var middles = left.Station.Concat(right.Station).SelectMany(s => new[] { s - Half, s + Half }).Order().ToList();
        var places = new List<TandemPlace>();
        double last = double.NegativeInfinity;
        foreach (var middle in middles)
        {
            if (middle - last < 1e-6)
                continue;
            last = middle;
            foreach (var behind in new[] { false, true })
            {
                var s = middle + (behind ? -Nudge : Nudge);
                places.Add(
                    new(middle, behind, Under(left, s - Half), Under(right, s - Half), Under(left, s + Half), Under(right, s + Half))
                );
            }
        }
        return [.. places];
    }

    private static Wheel Under(DeckLine line, double station)
    {
        var stations = line.Station;
        if (station < stations[0] || station > stations[^1])
            return new(-1, 0);
        var found = Array.BinarySearch(stations, station);
        var piece = Math.Min(found >= 0 ? found : ~found - 1, stations.Length - 2);
        // Over a joint two mesh lines lie in one place: nothing is between them.
        var length = stations[piece + 1] - stations[piece];
        return new(piece, length <= 0 ? 0 : (station - stations[piece]) / length);
    }
}
