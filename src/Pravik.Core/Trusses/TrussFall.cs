using System.Collections.Immutable;

namespace Pravik.Core.Trusses;

/// <summary>
/// How a truss falls: the motion of its joints from the moment at which nothing holds it any more, by the equations of motion with large
/// movements.
/// </summary>
/// <remarks>
/// <para>
/// Joints have the mass of what loads them and are pulled by gravity; bars push and pull along the line between their joints with
/// E·A/L·(l − L) and a twentieth of critical damping. A bar yields at its resistance in tension and tears at a tenth of its length;
/// one whose compression passes its resistance is slack in compression from then on. Joints stop on the ground.
/// </para>
/// <para>Velocity first, then place, in steps of a fifth of the time that the stiffest joint needs (explicit, symplectic Euler).</para>
/// </remarks>
public sealed class TrussFall
{
    /// <summary>Pictures of a second.</summary>
    public const int Rate = 30;
    private const double Seconds = 3;
    private const double Tears = 0.1;
    private const double LeastMass = 50;
    private const int MostSteps = 400_000;

    private readonly TrussModel model;
    private readonly SitePlaces places;
    private readonly double[] at;
    private readonly double[] speed;
    private readonly double[] mass;
    private readonly double[] loads;
    private readonly Strut[] struts;

    internal TrussFall(
        TrussModel model,
        SitePlaces places,
        double[] loads,
        double[] movements,
        BarResistance[] resistances,
        IReadOnlySet<int> buckled
    )
    {
        (this.model, this.places, this.loads) = (model, places, loads);
        var n = model.Joints.Length;
        (at, speed, mass) = (new double[2 * n], new double[2 * n], new double[n]);
        for (var j = 0; j < n; j++)
        {
            (at[2 * j], at[2 * j + 1]) = (model.Joints[j].At.X + movements[2 * j], model.Joints[j].At.Y + movements[2 * j + 1]);
            mass[j] = Math.Max(LeastMass, -loads[2 * j + 1] / TrussModel.Gravity);
        }
        struts = [.. model.Bars.Select((b, i) => Strut.Of(b, model.Length(i), resistances[i], buckled.Contains(i)))];
        Frames = [.. Run()];
    }

    /// <summary>Places of the joints (m), x then z, thirty times a second; the first is the moment at which it begins to fall.</summary>
    public ImmutableArray<double[]> Frames { get; }

    /// <summary>Bars that have buckled, yielded or torn by the end.</summary>
    public ImmutableArray<int> Broken => [.. Enumerable.Range(0, struts.Length).Where(b => struts[b].IsSlack || struts[b].IsTorn)];

    private IEnumerable<double[]> Run()
    {
        var step = Math.Max(Step(), Seconds / MostSteps);
        var each = Math.Max(1, (int)Math.Round(1 / (Rate * step)));
        step = 1.0 / (Rate * each);
        yield return [.. at];
        for (var frame = 0; frame < Rate * Seconds; frame++)
        {
            for (var i = 0; i < each; i++)
                Move(step);
            yield return [.. at];
        }
    }

    private double Step()
    {
        var stiffness = new double[mass.Length];
        for (var b = 0; b < struts.Length; b++)
        {
            stiffness[model.Bars[b].From] += struts[b].Stiffness;
            stiffness[model.Bars[b].To] += struts[b].Stiffness;
        }
        return Enumerable.Range(0, mass.Length).Min(j => 0.2 * Math.Sqrt(mass[j] / Math.Max(1, stiffness[j])));
    }

    private void Move(double step)
    {
        var forces = (double[])loads.Clone();
        for (var b = 0; b < struts.Length; b++)
            Push(b, forces);
        for (var j = 0; j < mass.Length; j++)
        {
            var hold = model.Joints[j].Hold;
            for (var k = 0; k < 2; k++)
            {
                var i = 2 * j + k;
                if (hold.HasFlag(k == 0 ? JointHold.Along : JointHold.Upright))
                    continue;
                speed[i] += step * forces[i] / mass[j];
                at[i] += step * speed[i];
            }
            var ground = places.DugAt(at[2 * j]);
            if (hold != JointHold.None || at[2 * j + 1] >= ground)
                continue;
            at[2 * j + 1] = ground;
            speed[2 * j] = speed[2 * j + 1] = 0;
        }
    }

    private void Push(int bar, double[] forces)
    {
        var (i, j) = (2 * model.Bars[bar].From, 2 * model.Bars[bar].To);
        var (dx, dz) = (at[j] - at[i], at[j + 1] - at[i + 1]);
        var length = Math.Sqrt(dx * dx + dz * dz);
        if (length < 1e-6)
            return;
        var (c, s) = (dx / length, dz / length);
        var rate = c * (speed[j] - speed[i]) + s * (speed[j + 1] - speed[i + 1]);
        var damping = 0.1 * Math.Sqrt(struts[bar].Stiffness * Math.Min(mass[model.Bars[bar].From], mass[model.Bars[bar].To]));
        var force = struts[bar].Force(length, damping * rate);
        forces[i] += force * c;
        forces[i + 1] += force * s;
        forces[j] -= force * c;
        forces[j + 1] -= force * s;
    }

    /// <summary>A bar as it moves.</summary>
    private sealed class Strut
    {
        private double rest;
        private double stretched;

        public required double Length { get; init; }
        public required double Stiffness { get; init; }
        public required BarResistance Resistance { get; init; }
        public bool IsSlack { get; private set; }
        public bool IsTorn { get; private set; }

        public static Strut Of(ModelBar bar, double length, BarResistance resistance, bool isBuckled)
        {
            var stiffness = bar.Grade.E * bar.Section.Area / length;
            return new()
            {
                Length = length,
                Stiffness = stiffness,
                Resistance = resistance,
                IsSlack = isBuckled,
                rest = length,
            };
        }

        /// <summary>Force at a length, with what damps it; tension positive.</summary>
        public double Force(double length, double damping)
        {
            if (IsTorn)
                return 0;
            var force = Stiffness * (length - rest);
            if (force > Resistance.Tension)
            {
                var more = length - rest - Resistance.Tension / Stiffness;
                rest += more;
                stretched += more;
                IsTorn = stretched > Tears * Length;
                return IsTorn ? 0 : Resistance.Tension;
            }
            if (force < -Resistance.Compression)
                IsSlack = true;
            return IsSlack && force < 0 ? 0 : force + damping;
        }
    }
}
