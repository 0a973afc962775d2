using Pravik.Core.Codes;
using Pravik.Core.Vehicles;

namespace Pravik.Core.Loads;

/// <summary>Horizontal forces of traffic, as numbers: N, N/m and m throughout.</summary>
public static class TrafficForces
{
    private const double Gravity = 9.81;
    private const double kN = 1000;

    /// <summary>Up to this speed (m/s) f is 1 in (6.17): 120 km/h.</summary>
    private const double FullSpeed = 120 / 3.6;

    /// <summary>
    /// Centrifugal force of road traffic on a curve of radius r (EN 1991-2 Table 4.3): 0.2·Q_v below 200 m, 40·Q_v/r up to 1500 m, none
    /// beyond.
    /// </summary>
    /// <param name="radius">Radius of the carriageway’s middle (m).</param>
    /// <param name="tandems">Q_v, the load of all tandem systems Σ α_Qi·2Q_ik (N).</param>
    public static double Centrifugal(double radius, double tandems) =>
        radius < 200 ? 0.2 * tandems
        : radius <= 1500 ? 40 * tandems / radius
        : 0;

    /// <summary>Q_v of so many notional lanes (N): a tandem of two axles in each of the first three.</summary>
    public static double Tandems(NationalValues values, int lanes) =>
        Enumerable.Range(1, Math.Min(lanes, 3)).Sum(i => 2 * values[$"alphaQ{i}"] * values[$"tandem{i}"]);

    /// <summary>C = f·v²/(g·R) with f = 4/3 (AASHTO LRFD 3.6.3), on the axles of truck or tandem.</summary>
    /// <param name="radius">R (m).</param>
    /// <param name="speed">v (m/s).</param>
    public static double LrfdCentrifugalFactor(double radius, double speed) => 4.0 / 3 * speed * speed / (Gravity * radius);

    /// <summary>Height at which that force acts above the road: 6 ft.</summary>
    public const double LrfdHeight = 6 * 0.3048;

    /// <summary>
    /// The part of its load by which an outer wheel has more and an inner one less, from the moment of forces at height h over wheels b
    /// apart: 2·h·(C − e)/b, with the crossfall e that leans into the curve; the load of the axle stays.
    /// </summary>
    /// <param name="factor">C, the centrifugal force as a part of the weight.</param>
    /// <param name="crossfall">e, positive where the outer side is higher.</param>
    /// <param name="height">h (m).</param>
    /// <param name="spacing">b (m).</param>
    public static double Uneven(double factor, double crossfall, double height, double spacing) =>
        2 * height * (factor - crossfall) / spacing;

    /// <summary>Traction 33 kN/m, at most 1000 kN (EN 1991-2 6.5.3(2), (6.20)).</summary>
    public static double Traction(double length) => Math.Min(33 * kN * length, 1000 * kN);

    /// <summary>
    /// Braking of trains: 20 kN/m, at most 6000 kN, of load model 71 and SW/0 (6.21); 35 kN/m of SW/2 (6.22).
    /// </summary>
    public static double TrainBraking(double length, bool isHeavy) => isHeavy ? 35 * kN * length : Math.Min(20 * kN * length, 6000 * kN);

    /// <summary>
    /// Force along one or more tracks (N), all one way: the more of traction and braking on one, and on two braking on one with traction
    /// on the other (6.5.3(8)); α counts on load model 71 and SW/0.
    /// </summary>
    public static double AlongTracks(double length, int tracks, double alpha, bool isHeavy)
    {
        var (traction, braking) = (alpha * Traction(length), (isHeavy ? 1 : alpha) * TrainBraking(length, isHeavy));
        return tracks > 1 ? traction + braking : Math.Max(traction, braking);
    }

    /// <summary>Nosing of a train: 100 kN at the top of the rails, α where it is above 1 (6.5.2).</summary>
    public static double Nosing(double alpha) => 100 * kN * Math.Max(1, alpha);

    /// <summary>Height at which centrifugal forces of trains act above the rails (6.5.1(2)).</summary>
    public const double TrainHeight = 1.8;

    /// <summary>
    /// Centrifugal force of load model 71 and SW/0 as a part of their weight, f·v²/(g·r) (6.17): at all of the speed with f by (6.19), or
    /// at 120 km/h with f = 1, whichever is more.
    /// </summary>
    /// <param name="radius">r (m).</param>
    /// <param name="speed">Greatest speed on the line (m/s).</param>
    /// <param name="length">L_f, the loaded length of curved track (m).</param>
    public static double TrainCentrifugalFactor(double radius, double speed, double length)
    {
        double Part(double v) => v * v / (Gravity * radius);
        return speed <= FullSpeed ? Part(speed) : Math.Max(Part(FullSpeed), Reduction(speed, length) * Part(speed));
    }

    /// <summary>SW/2 goes at 80 km/h at most (6.5.1(5)).</summary>
    public static double HeavyCentrifugalFactor(double radius, double speed)
    {
        var v = Math.Min(speed, 80 / 3.6);
        return v * v / (Gravity * radius);
    }

    /// <summary>
    /// f = 1 − (V − 120)/1000·(814/V + 1.75)·(1 − √(2.88/L_f)), at least 0.35 (6.18), (6.19); V in km/h, beyond 300 as at 300.
    /// </summary>
    private static double Reduction(double speed, double length)
    {
        var v = Math.Min(3.6 * speed, 300);
        return length <= 2.88 ? 1 : Math.Max(0.35, 1 - (v - 120) / 1000 * (814 / v + 1.75) * (1 - Math.Sqrt(2.88 / length)));
    }

    /// <summary>
    /// Braking or acceleration force (N) along the deck, EN 1991-2 4.4.1(2): Q = 0.6·α_Q1·2·Q_1k + 0.10·α_q1·q_1k·w₁·L with Q_1k = 300
    /// kN and q_1k = 9 kN/m², at least 180·α_Q1 kN and at most 900 kN.
    /// </summary>
    public static double Braking(double length, NationalValues values) =>
        Math.Clamp(
            0.6 * values["alphaQ1"] * 2 * 300e3 + 0.10 * values["alphaq1"] * 9e3 * values["laneWidth"] * length,
            180e3 * values["alphaQ1"],
            900e3
        );

    /// <summary>
    /// Braking force (N) of AASHTO LRFD 3.6.4: in every lane, all going one way, a quarter of the axles of truck or tandem, or 5 % of one
    /// of them with lane load on a length, whichever is most, times the factor by number of lanes.
    /// </summary>
    /// <param name="length">Length of the deck (m).</param>
    /// <param name="usual">HL-93.</param>
    /// <param name="lanes">How many lanes there are.</param>
    public static double BrakingOf(TrafficModel usual, double length, int lanes)
    {
        var truck = Axles(usual);
        var onLane = Math.Max(0.25 * truck, 0.05 * (truck + usual.Kinds[0].Loads[0].Line * length));
        return Counted(usual, lanes) * onLane;
    }

    /// <summary>Axles of truck or tandem of HL-93 in so many lanes (N), with the factor by their number.</summary>
    public static double AxlesOf(TrafficModel usual, int lanes) => Counted(usual, lanes) * Axles(usual);

    private static double Axles(TrafficModel usual) =>
        usual.Kinds[0].Loads.Where(l => !l.OnlyOverPiers && l.Vehicle is not null).Max(l => l.Vehicle!.AxleLoad);

    private static double Counted(TrafficModel usual, int lanes) =>
        lanes == 0 ? 0 : lanes * usual.Presence[Math.Min(lanes, usual.Presence.Length) - 1];
}
