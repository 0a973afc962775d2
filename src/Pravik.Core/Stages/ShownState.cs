using System.Collections.Immutable;
using Pravik.Core.Frames;
using Pravik.Core.Models;

namespace Pravik.Core.Stages;

/// <summary>A case, or a sum of cases, as the whole model shows it: displacements, forces of members and shells, reactions.</summary>
/// <param name="Name">What it is, in words.</param>
/// <param name="Model">The model on which it is shown: that of the case, or the finished bridge for sums.</param>
/// <param name="Effects">Effects along the girders.</param>
/// <param name="Displacements">Of the joints of the model (m, rad).</param>
public sealed record ShownState(string Name, BridgeModel Model, GirderEffects Effects, double[][] Displacements)
{
    public required ImmutableArray<SeatReaction> Reactions { get; init; }
    public required ImmutableArray<MemberResult> Others { get; init; }

    /// <summary>Forces of shells of the model; zero where a shell was not there.</summary>
    public required ImmutableArray<ShellForces> Shells { get; init; }

    /// <summary>The loads, of a single case; null for sums.</summary>
    public FrameCase? Load { get; init; }

    /// <summary>The case or sum with an id of <see cref="EffectRanges"/>; null for envelopes and unknown ids.</summary>
    public static ShownState? Of(ModelResults results, string? id)
    {
        if (results.Find(id ?? "") is { } one)
            return new(one.Name, results.Models[one.Model], one.Total, one.Displacements)
            {
                Reactions = one.Reactions,
                Others = one.Others,
                Shells = one.Shells,
                Load = one.Load,
            };
        if (id == "permanent")
            return Sum(results, CaseNames.Permanent, c => c.Kind is ActionKind.Stage or ActionKind.LongTerm);
        if (
            id?.StartsWith("upTo", StringComparison.Ordinal) == true
            && int.TryParse(id[4..], out var stage)
            && stage >= 1
            && stage <= results.Steps.Length
        )
            return Sum(results, CaseNames.After(results.Steps[stage - 1].Stage), c => c.Stage < stage);
        return null;
    }

    private static ShownState Sum(ModelResults results, string name, Func<ActionResult, bool> wanted)
    {
        var (model, cases) = (results.Finished, results.Cases.Where(wanted).ToList());
        var displacements = model.Frame.Nodes.Select(_ => new double[6]).ToArray();
        var nodes = Places(model.Frame.Nodes.Select(n => n.Id));
        var (shells, forces) = (Places(model.Frame.Shells.Select(s => s.Id)), new double[model.Frame.Shells.Length, 8]);
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
                var f = c.Shells[s];
                double[] all = [f.Nxx, f.Nyy, f.Nxy, f.Mxx, f.Myy, f.Mxy, f.Vxz, f.Vyz];
                for (var k = 0; k < 8; k++)
                    forces[at, k] += all[k];
            }
        }
        return new(
            name,
            model,
            cases.Count == 0 ? GirderEffects.None(results.Points.Length) : GirderEffects.Sum([.. cases.Select(c => (1.0, c.Total))]),
            displacements
        )
        {
            Reactions =
            [
                .. cases
                    .SelectMany(c => c.Reactions)
                    .GroupBy(r => (r.Axis, r.Girder))
                    .Select(g => new SeatReaction(g.Key.Axis, g.Key.Girder, g.Sum(r => r.Along), g.Sum(r => r.Across), g.Sum(r => r.Up))),
            ],
            Others =
            [
                .. cases
                    .SelectMany(c => c.Others)
                    .GroupBy(o => o.Name)
                    .Select(g => g.Aggregate((a, b) => new(a.Name, a.Start + b.Start, a.End + b.End))),
            ],
            Shells =
            [
                .. Enumerable
                    .Range(0, model.Frame.Shells.Length)
                    .Select(s => new ShellForces(
                        forces[s, 0],
                        forces[s, 1],
                        forces[s, 2],
                        forces[s, 3],
                        forces[s, 4],
                        forces[s, 5],
                        forces[s, 6],
                        forces[s, 7]
                    )),
            ],
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
