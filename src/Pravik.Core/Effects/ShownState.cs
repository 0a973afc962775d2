using System.Collections.Immutable;
using Pravik.Core.Codes;
using Pravik.Core.Frames;
using Pravik.Core.Models;
using Pravik.Core.Stages;

namespace Pravik.Core.Effects;

/// <summary>A case, or a sum of cases, as the whole model shows it: displacements, effects, forces of shells.</summary>
/// <param name="Name">What it is, in words.</param>
/// <param name="Model">The model on which it is shown: that of the case, or the finished bridge for sums.</param>
/// <param name="Effects">All effects.</param>
/// <param name="Displacements">Of the joints of the model (m, rad).</param>
public sealed record ShownState(string Name, BridgeModel Model, EffectValues Effects, double[][] Displacements)
{
    /// <summary>Forces of shells of the model; zero where a shell was not there.</summary>
    public required ImmutableArray<ShellForces> Shells { get; init; }

    /// <summary>The loads, of a single case; null for sums.</summary>
    public FrameCase? Load { get; init; }

    /// <summary>The case or sum with an id of <see cref="BridgeEffects"/>; null for envelopes and unknown ids.</summary>
    public static ShownState? Of(ModelResults results, CaseId id)
    {
        if (results.Find(id) is { } one)
            return new(one.Name, results.Models[one.Model], one.Effects, one.Displacements) { Shells = one.Shells, Load = one.Load };
        if (id == CaseId.Permanent)
            return Sum(
                results,
                CaseNames.Permanent,
                c => (c.Stage is not null && !c.IsPassing) || c.Kind is ActionKind.Creep or ActionKind.Shrinkage or ActionKind.Losses
            );
        for (var stage = 0; stage < results.Steps.Length; stage++)
        {
            var here = stage;
            if (id == CaseId.UpTo(stage))
                return Sum(results, CaseNames.After(results.Steps[stage].Stage), c => c.Stage <= here && (!c.IsPassing || c.Stage == here));
        }
        return null;
    }

    private static ShownState Sum(ModelResults results, string name, Func<ActionResult, bool> wanted)
    {
        var (model, cases) = (results.Finished, results.Cases.Where(wanted).ToList());
        var displacements = model.Frame.Nodes.Select(_ => new double[6]).ToArray();
        var nodes = Places(model.Frame.Nodes.Select(n => n.Id));
        var (shells, forces) = (
            Places(model.Frame.Shells.Select(s => s.Id)),
            new double[model.Frame.Shells.Length, ShellForces.Components]
        );
        foreach (var c in cases)
        {
            var frame = results.Models[c.Model].Frame;
            for (var n = 0; n < frame.Nodes.Length; n++)
            {
                if (!nodes.TryGetValue(frame.Nodes[n].Id, out var at))
                    continue;
                for (var d = 0; d < 6; d++)
                    displacements[at][d] += c.Displacements[n][d];
            }
            for (var s = 0; s < frame.Shells.Length; s++)
            {
                if (!shells.TryGetValue(frame.Shells[s].Id, out var at))
                    continue;
                for (var k = 0; k < ShellForces.Components; k++)
                    forces[at, k] += c.Shells[s][k];
            }
        }
        ShellForces Shell(int s) =>
            new(forces[s, 0], forces[s, 1], forces[s, 2], forces[s, 3], forces[s, 4], forces[s, 5], forces[s, 6], forces[s, 7]);
        return new(name, model, EffectValues.Sum(results.Layout, cases.Select(c => (1.0, c.Effects))), displacements)
        {
            Shells = [.. Enumerable.Range(0, model.Frame.Shells.Length).Select(Shell)],
        };
    }

    private static Dictionary<string, int> Places(IEnumerable<string> ids) =>
        ids.Select((id, i) => (id, i)).ToDictionary(p => p.id, p => p.i);

    /// <summary>
    /// Forces of the shells turned to run along the row of girders, joint to joint, and across: n and m along, across and between; NaN
    /// where the model has no such shell.
    /// </summary>
    public ImmutableArray<(double Nalong, double Nacross, double Malong, double Macross, double Mtwist)> ShellsAlong()
    {
        var mesh = Model.Mesh;
        var all = Enumerable.Repeat((double.NaN, double.NaN, double.NaN, double.NaN, double.NaN), Model.Frame.Shells.Length).ToArray();
        for (var row = 0; row < Model.Shells.Length; row++)
        {
            for (var bay = 0; bay < Model.Shells[row].Length; bay++)
            {
                var s = Model.Shells[row][bay];
                if (s < 0)
                    continue;
                var axes = ShellElement.Frame([.. Model.Frame.Shells[s].Nodes.Select(n => Model.Frame.Nodes[n].At)]).Axes;
                var ahead = mesh.Nodes[mesh.NodeAt(bay, row + 1)].At - mesh.Nodes[mesh.NodeAt(bay, row)].At;
                var (x, y) = (axes.X.X * ahead.X + axes.X.Y * ahead.Y, axes.Y.X * ahead.X + axes.Y.Y * ahead.Y);
                var (c, sn) = (x / Math.Sqrt(x * x + y * y), y / Math.Sqrt(x * x + y * y));
                var f = Shells[s];
                double Along(double xx, double yy, double xy) => xx * c * c + yy * sn * sn + 2 * xy * c * sn;
                double Across(double xx, double yy, double xy) => xx * sn * sn + yy * c * c - 2 * xy * c * sn;
                all[s] = (
                    Along(f.Nxx, f.Nyy, f.Nxy),
                    Across(f.Nxx, f.Nyy, f.Nxy),
                    Along(f.Mxx, f.Myy, f.Mxy),
                    Across(f.Mxx, f.Myy, f.Mxy),
                    (f.Myy - f.Mxx) * sn * c + f.Mxy * (c * c - sn * sn)
                );
            }
        }
        return [.. all];
    }
}
