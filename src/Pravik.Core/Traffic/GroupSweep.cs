using System.Numerics;
using System.Runtime.CompilerServices;

namespace Pravik.Core.Traffic;

/// <summary>
/// How a profile changes at its stations: its value, and its slope (1/m).
/// </summary>
internal readonly record struct ProfileChanges(double[] Jump, double[] Kink);

/// <summary>
/// How profiles of two blocks change at rows, in single precision: first their slopes (1/m), and then their values; at each row those of
/// the one block, and beside them those of the other.
/// </summary>
/// <param name="Numbers">The changes.</param>
/// <param name="Kinks">Where those of the slopes of a block begin.</param>
/// <param name="Jumps">Where those of its values begin.</param>
/// <param name="JumpRow">The row on which some of them jump; −1 for none.</param>
internal readonly record struct BlockChanges(float[] Numbers, int Kinks, int Jumps, int JumpRow)
{
    /// <summary>The same for the other block.</summary>
    public BlockChanges OfSecond => this with { Kinks = Kinks + Vector<float>.Count, Jumps = Jumps + Vector<float>.Count };

    /// <summary>Whether a profile may jump at a step.</summary>
    [MethodImpl(MethodImplOptions.AggressiveInlining)]
    public bool MayJump(in SweepStep step) => (step.Kind & SweepStepKind.Jumps) != 0 || step.Row == JumpRow;
}

/// <summary>
/// Goes over a profile once with a group of axles: from one meeting of an axle with a station to the next the value is straight, and its
/// slope changes by the axle's load times the profile's. Several profiles side by side are gone over together, in pieces of the way; which
/// piece is the worst is kept, so that the place is sought in that piece alone.
/// </summary>
internal static class GroupSweep
{
    /// <summary>Beside a place, to keep to the side of a jump for which a value stands (m).</summary>
    public const double Nudge = 1e-7;

    /// <summary>Part of the greatest values below which others are rounding.</summary>
    public const double Rounding = 1e-12;

    /// <summary>The same in single precision.</summary>
    public const float SingleRounding = 3e-6f;

    /// <summary>Meetings closer than this are one (m).</summary>
    public const double Tiny = 1e-9;

    /// <summary>Steps of a piece at least, and pieces of a way at most.</summary>
    private const int LeastSteps = 64;
    private const int MostPieces = 16;

    /// <summary>Steps of a piece of a way with so many steps.</summary>
    private static int Piece(int steps) => Math.Max(LeastSteps, (steps + MostPieces - 1) / MostPieces);

    /// <summary>What is kept of a piece: value and slope before it, greatest and least value in it, of each profile.</summary>
    private static int OfPiece => 4 * Vector<float>.Count;

    /// <summary>Numbers that are kept of a way with so many steps.</summary>
    public static int PiecesOf(int steps) => (steps + Piece(steps) - 1) / Piece(steps) * OfPiece;

    /// <summary>
    /// The greatest and the least values of two blocks of profiles side by side, not below and not above 0: neither waits for the other,
    /// and a step is read once for both.
    /// </summary>
    /// <param name="way">Steps of the way.</param>
    /// <param name="changes">How the profiles change.</param>
    /// <param name="ofFirst">Takes what is kept of the pieces of the way for the one.</param>
    /// <param name="ofSecond">The same for the other.</param>
    public static (BothSigns First, BothSigns Second) Extremes(
        SweepSteps way,
        BlockChanges changes,
        Span<float> ofFirst,
        Span<float> ofSecond
    )
    {
        var (steps, wheels, jumpRow) = (way.All, way.Wheels, changes.JumpRow);
        var (numbers, kinks, jumps) = (changes.Numbers, changes.Kinks, changes.Jumps);
        var (one, other) = (default(SweepWalk), default(SweepWalk));
        var (greatest, greatestOfOther) = (default(BothSigns), default(BothSigns));
        var piece = Piece(steps.Length);
        for (int from = 0, at = 0; from < steps.Length; from += piece, at += OfPiece)
        {
            one.Begin(ofFirst[at..]);
            other.Begin(ofSecond[at..]);
            foreach (ref readonly var step in steps.AsSpan(from, Math.Min(piece, steps.Length - from)))
            {
                ref readonly var wheel = ref wheels[step.Wheel];
                var (share, length) = (new Vector<float>(wheel.Share), new Vector<float>(step.Length));
                var (kind, row) = (step.Kind, wheel.From + 2 * Vector<float>.Count * step.Row);
                one.Go(length);
                other.Go(length);
                if ((kind & SweepStepKind.Arrives) != 0)
                {
                    one.Look();
                    other.Look();
                }
                one.Bend(share, numbers, kinks + row);
                other.Bend(share, numbers, kinks + row + Vector<float>.Count);
                if ((kind & (SweepStepKind.Jumps | SweepStepKind.Ahead)) == 0 && step.Row != jumpRow)
                    continue;
                one.Jump(share, numbers, jumps + row);
                other.Jump(share, numbers, jumps + row + Vector<float>.Count);
                // Where several axles jump in one place only what is before and after all of them counts.
                if ((kind & SweepStepKind.Leaves) != 0)
                {
                    one.Look();
                    other.Look();
                }
            }
            greatest = BothSigns.Max(greatest, one.End(ofFirst[at..]));
            greatestOfOther = BothSigns.Max(greatestOfOther, other.End(ofSecond[at..]));
        }
        return (greatest, greatestOfOther);
    }

    /// <summary>Where a sweep over profiles side by side is, and the greatest and least values since a piece began.</summary>
    private struct SweepWalk
    {
        private Vector<float> value;
        private Vector<float> slope;
        private Vector<float> greatest;
        private Vector<float> least;

        [MethodImpl(MethodImplOptions.AggressiveInlining)]
        public void Begin(Span<float> piece)
        {
            value.CopyTo(piece);
            slope.CopyTo(piece[Vector<float>.Count..]);
            (greatest, least) = (Vector<float>.Zero, Vector<float>.Zero);
        }

        [MethodImpl(MethodImplOptions.AggressiveInlining)]
        public void Go(Vector<float> length) => value = Vector.FusedMultiplyAdd(slope, length, value);

        [MethodImpl(MethodImplOptions.AggressiveInlining)]
        public void Jump(Vector<float> share, float[] changes, int at) =>
            value = Vector.FusedMultiplyAdd(share, new Vector<float>(changes, at), value);

        [MethodImpl(MethodImplOptions.AggressiveInlining)]
        public void Bend(Vector<float> share, float[] changes, int at) =>
            slope = Vector.FusedMultiplyAdd(share, new Vector<float>(changes, at), slope);

        [MethodImpl(MethodImplOptions.AggressiveInlining)]
        public void Look()
        {
            greatest = Vector.MaxNative(greatest, value);
            least = Vector.MinNative(least, value);
        }

        [MethodImpl(MethodImplOptions.AggressiveInlining)]
        public readonly BothSigns End(Span<float> piece)
        {
            greatest.CopyTo(piece[(2 * Vector<float>.Count)..]);
            least.CopyTo(piece[(3 * Vector<float>.Count)..]);
            return new(greatest, -least);
        }
    }

    /// <summary>The piece of a way in which a profile is greatest, or by its sign least, and its value times the sign.</summary>
    public static (int Piece, float Value) WorstPiece(ReadOnlySpan<float> pieces, int of, int sign)
    {
        var (worst, most, at) = (0, 0f, (sign > 0 ? 2 : 3) * Vector<float>.Count + of);
        for (var p = 0; at < pieces.Length; p++, at += OfPiece)
            (worst, most) = sign * pieces[at] > most ? (p, sign * pieces[at]) : (worst, most);
        return (worst, most);
    }

    /// <summary>The place of the leading axle where a profile is greatest, or by its sign least; just beside a jump.</summary>
    /// <param name="way">The axles or wheels, and the order in which they meet rows.</param>
    /// <param name="changes">How the profiles change.</param>
    /// <param name="pieces">What was kept of the pieces of the way.</param>
    /// <param name="of">Which of the profiles.</param>
    /// <param name="sign">1 for the greatest, −1 for the least.</param>
    public static double Place(VehicleWay way, BlockChanges changes, ReadOnlySpan<float> pieces, int of, int sign)
    {
        var (piece, steps, count) = (WorstPiece(pieces, of, sign).Piece, way.Steps!.All, Vector<float>.Count);
        var (value, slope) = (pieces[piece * OfPiece + of], pieces[piece * OfPiece + count + of]);
        var (worst, place) = (0f, double.NaN);
        var length = Piece(steps.Length);
        for (var i = piece * length; i < Math.Min((piece + 1) * length, steps.Length); i++)
        {
            ref readonly var step = ref steps[i];
            var wheel = way.Steps.Wheels[step.Wheel];
            var row = wheel.From + 2 * count * step.Row + of;
            value = MathF.FusedMultiplyAdd(slope, step.Length, value);
            if ((step.Kind & SweepStepKind.Arrives) != 0 && sign * value > worst)
                (worst, place) = (sign * value, way.Lead[i].Place - Nudge);
            if (changes.MayJump(step))
                value = MathF.FusedMultiplyAdd(wheel.Share, changes.Numbers[changes.Jumps + row], value);
            slope = MathF.FusedMultiplyAdd(wheel.Share, changes.Numbers[changes.Kinks + row], slope);
            if ((step.Kind & SweepStepKind.Leaves) != 0 && sign * value > worst)
                (worst, place) = (sign * value, way.Lead[i].Place + Nudge);
        }
        return place;
    }
}
