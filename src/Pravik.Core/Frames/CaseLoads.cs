using Pravik.Core.Geometry;
using Pravik.Core.Numerics;

namespace Pravik.Core.Frames;

/// <summary>Loads of a case: what they put on the fixed ends of every element, on nodes, and their sums as given.</summary>
internal sealed class CaseLoads
{
    private readonly FrameModel model;
    private readonly FrameElement[] elements;
    private readonly double[] size = new double[6];

    /// <param name="model">The model.</param>
    /// <param name="elements">Beams, then shells.</param>
    /// <param name="load">The case.</param>
    public CaseLoads(FrameModel model, FrameElement[] elements, FrameCase load)
    {
        (this.model, this.elements, Case) = (model, elements, load);
        if (load.Gravity.Length > 0)
            Gravity(load.Gravity);
        foreach (var beam in load.Beams)
            OnBeam(beam);
        foreach (var shell in load.Shells)
            OnShell(
                (ShellElement)elements[model.Beams.Length + shell.Shell],
                shell.Shell,
                shell.IsLocal ? shell.Pressure : Shell(shell.Shell).Axes.ToLocal(shell.Pressure)
            );
        foreach (var thermal in load.BeamThermal)
            Beam(thermal.Beam).Add(thermal, Ends(thermal.Beam));
        foreach (var thermal in load.ShellThermal)
            Shell(thermal.Shell).Add(thermal, Ends(model.Beams.Length + thermal.Shell));
        foreach (var nodal in load.Nodal)
            Count(model.Nodes[nodal.Node].At, nodal.Force, nodal.Moment, 1);
        BeamLoads = AllBeamLoads.ToLookup(l => l.Beam);
    }

    public FrameCase Case { get; }

    /// <summary>Forces at fixed ends by element, for those that are loaded.</summary>
    public Dictionary<int, double[]> ByElement { get; } = [];

    /// <summary>Loads of beams, weight included.</summary>
    public ILookup<int, BeamLoad> BeamLoads { get; }

    /// <summary>Sums of forces and of moments about the origin, and of their sizes.</summary>
    public double[] Applied { get; } = new double[6];
    public double[] Size => size;

    private List<BeamLoad> AllBeamLoads { get; } = [];

    private BeamElement Beam(int beam) => (BeamElement)elements[beam];

    private ShellElement Shell(int shell) => (ShellElement)elements[model.Beams.Length + shell];

    private double[] Ends(int element)
    {
        if (!ByElement.TryGetValue(element, out var ends))
            ByElement[element] = ends = new double[elements[element].Size];
        return ends;
    }

    private void Gravity(Point3 gravity)
    {
        for (var b = 0; b < model.Beams.Length; b++)
        {
            var mass = Beam(b).Material.Density * Beam(b).Section.A;
            foreach (
                var (direction, value) in new[]
                {
                    (FrameDirection.Ux, gravity.X),
                    (FrameDirection.Uy, gravity.Y),
                    (FrameDirection.Uz, gravity.Z),
                }
            )
            {
                if (mass * value != 0)
                    OnBeam(BeamLoad.Even(b, direction, mass * value));
            }
        }
        for (var s = 0; s < model.Shells.Length; s++)
        {
            var shell = Shell(s);
            if (shell.Material.Density > 0)
                OnShell(shell, s, shell.Axes.ToLocal(shell.Material.Density * shell.Thickness * gravity));
        }
    }

    private void OnBeam(BeamLoad load)
    {
        var beam = Beam(load.Beam);
        beam.Add(load, Ends(load.Beam));
        AllBeamLoads.Add(load);
        var direction = beam.Axes.ToGlobal(beam.Direction(load));
        var rule = GaussLegendre.Five;
        for (var i = 0; i < (load.IsPoint ? 1 : rule.At.Length); i++)
        {
            var part = load.IsPoint ? 0 : rule.At[i];
            var value = (load.Start + part * (load.End - load.Start)) * direction;
            Count(
                beam.Start + (load.From + part * (load.To - load.From)) * beam.Length * beam.Axes.X,
                load.Direction.IsTurn() ? default : value,
                load.Direction.IsTurn() ? value : default,
                load.IsPoint ? 1 : rule.Weight[i] * (load.To - load.From) * beam.Length
            );
        }
    }

    private void OnShell(ShellElement shell, int number, Point3 pressure)
    {
        shell.Add(pressure, Ends(model.Beams.Length + number));
        var force = shell.Axes.ToGlobal(pressure);
        for (var n = 0; n < shell.Nodes.Length; n++)
            Count(model.Nodes[shell.Nodes[n]].At + shell.Arms[n], force, default, shell.Shares[n]);
    }

    private void Count(Point3 at, Point3 force, Point3 moment, double weight)
    {
        var (f, m) = (weight * force, weight * (moment + at.Cross(force)));
        Sum(Applied, size, f, m);
    }

    /// <summary>Adds a force and a moment to sums, and their sizes to those of sizes.</summary>
    public static void Sum(double[] sums, double[] sizes, Point3 force, Point3 moment)
    {
        Span<double> values = [force.X, force.Y, force.Z, moment.X, moment.Y, moment.Z];
        for (var i = 0; i < 6; i++)
        {
            sums[i] += values[i];
            sizes[i] += Math.Abs(values[i]);
        }
    }
}
