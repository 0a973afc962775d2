using Pravik.Core.Trusses;

namespace Pravik.Web.Trusses;

/// <summary>
/// A crossing for a screen that plays it: joints and bars, moment by moment movements and ratios, what gives way, and how it falls.
/// Everything is worked out; the screen goes from one moment to the next.
/// </summary>
internal sealed record TrussFilm
{
    private const double Finest = 1e5;

    /// <summary>
    /// The opening, the level of the road and of its surface, the width of the deck, the distance of the planes, the headroom (m),
    /// lanes and their width.
    /// </summary>
    public required double[] Site { get; init; }

    /// <summary>Joints: along and level (m).</summary>
    public required double[][] Joints { get; init; }

    /// <summary>Joints of the deck from left to right, by number.</summary>
    public required IEnumerable<int> Deck { get; init; }

    /// <summary>Bars: their joints by number, and their depth (m).</summary>
    public required double[][] Bars { get; init; }

    /// <summary>Distances of axles behind the first (m).</summary>
    public required double[] Axles { get; init; }

    /// <summary>Name of the vehicle.</summary>
    public required string Vehicle { get; init; }

    /// <summary>Whether it goes from left to right.</summary>
    public required bool IsAhead { get; init; }

    /// <summary>Ground as it is dug: along and level (m).</summary>
    public required double[][] Ground { get; init; }

    /// <summary>Moments.</summary>
    public required FilmMoment[] Moments { get; init; }

    /// <summary>What gives way, in order.</summary>
    public required string[] Failures { get; init; }

    /// <summary>The bars that give way, in that order.</summary>
    public required int[] Failing { get; init; }

    /// <summary>Places of joints thirty times a second as it falls (m); empty where it stands.</summary>
    public required double[][] Fall { get; init; }

    /// <summary>Bars that are broken when it begins to fall.</summary>
    public required int[] Broken { get; init; }

    /// <summary>Pictures of a second of the fall.</summary>
    public int Rate { get; init; } = TrussFall.Rate;

    /// <summary>The film of a crossing.</summary>
    public static TrussFilm Of(TrussScheme scheme, TrussDrive drive)
    {
        var (model, places) = (TrussModel.Of(scheme), new SitePlaces(scheme.Site));
        var vehicle = scheme.Vehicles[drive.Number];
        double Tidy(double x) => Math.Round(x * Finest) / Finest;
        var surface = scheme.Site.Road + (BarCatalogue.Deck(scheme.Site.Deck)?.Thickness ?? 0);
        return new()
        {
            Site =
            [
                scheme.Site.Opening,
                scheme.Site.Road,
                surface,
                places.Width,
                places.PlaneDistance,
                scheme.Site.Headroom,
                scheme.Site.Lanes,
                scheme.Site.LaneWidth,
            ],
            Joints = [.. model.Joints.Select(j => new[] { Tidy(j.At.X), Tidy(j.At.Y) })],
            Deck = model.Deck,
            Bars = [.. model.Bars.Select(b => new[] { b.From, b.To, Tidy(b.Section.Depth) })],
            Axles = [.. VehiclePositions.Behind(vehicle)],
            Vehicle = vehicle.Name,
            IsAhead = drive.IsAhead,
            Ground = [.. places.Dug.Select(p => new[] { Tidy(p.X), Tidy(p.Y) })],
            Moments =
            [
                .. drive.Steps.Select(s => new FilmMoment(
                    Tidy(s.Share),
                    s.Front is { } x ? Tidy(x) : null,
                    [.. s.Movements.Select(m => Math.Round(m, 6))],
                    [.. s.Forces.Select((n, b) => Math.Round(Math.Sign(n) * drive.ResistanceOf(b).RatioOf(n), 3))],
                    s.Failures
                )),
            ],
            Failures = [.. drive.Failures.Select(f => f.Words(scheme))],
            Failing = [.. drive.Failures.Select(f => f.Bar)],
            Fall = [.. drive.Fall?.Frames.Select(f => f.Select(x => Math.Round(x, 3)).ToArray()) ?? []],
            Broken = [.. drive.Failures.Where(f => f.Limit == BarLimit.Buckling).Select(f => f.Bar)],
        };
    }
}

/// <summary>A moment of a film.</summary>
/// <param name="Share">Part of the weight that acts.</param>
/// <param name="Front">Place of the first axle (m); null before the vehicle comes.</param>
/// <param name="Moves">Movements of joints (m), x then z.</param>
/// <param name="Ratios">Ratio of each bar, negative in compression.</param>
/// <param name="Failures">How many bars have given way.</param>
internal sealed record FilmMoment(double Share, double? Front, double[] Moves, double[] Ratios, int Failures);
