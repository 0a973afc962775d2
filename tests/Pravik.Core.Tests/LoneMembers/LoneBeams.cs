using System.Collections.Immutable;
using Pravik.Core.Codes;
using Pravik.Core.LoneMembers;
using Pravik.Core.Models;
using Pravik.Core.Sections;

namespace Pravik.Core.Tests.LoneMembers;

/// <summary>Members of 0.3 × 0.6 m in C30/37 without weight worth mentioning, for closed forms.</summary>
internal static class LoneBeams
{
    /// <summary>E_cm·I of the section (Nm²).</summary>
    public static double Stiffness => Core.Materials.Concrete.Of(new() { Class = "C30/37" }).Ecm * 0.3 * Math.Pow(0.6, 3) / 12;

    public static LoneMember Of(params double[] spans) =>
        new()
        {
            Format = LoneMember.FormatName,
            Version = LoneMember.CurrentVersion,
            Spans = [.. spans.Select(l => new LoneSpan { Length = l })],
            Supports = [.. Enumerable.Repeat(new LoneSupport(), spans.Length + 1)],
            Sections = [Rectangle(0.3, 0.6)],
            Materials = new() { Concrete = new() { Class = "C30/37" } },
            Bars =
            [
                new() { Count = 6, Diameter = 0.02 },
                new()
                {
                    Face = BarFace.Top,
                    Count = 6,
                    Diameter = 0.02,
                },
            ],
            Links = [new()],
            Heating = 0,
            Cooling = 0,
        };

    public static SectionShape Rectangle(double width, double depth) =>
        new()
        {
            Name = "Beam",
            Family = "rectangle",
            Sizes = new Dictionary<string, double> { ["width"] = width, ["depth"] = depth }.ToImmutableSortedDictionary(),
        };

    /// <summary>A case whose effects are read by themselves.</summary>
    public static LoneMember With(this LoneMember member, params LoneLoad[] loads) =>
        member with
        {
            Cases = [.. member.Cases, new() { Name = $"Case {member.Cases.Length + 1}", Loads = [.. loads] }],
        };

    public static LoneLoad Even(double value) => new() { Value = value };

    public static LoneLoad Point(double at, double value) =>
        new()
        {
            Kind = LoneLoadKind.Point,
            From = at,
            Value = value,
        };

    /// <summary>An effect of a case at a place (m): of the side that looks ahead, or back.</summary>
    public static double Effect(this LoneRun run, string name, GirderEffect effect, double at, bool isBehind = false) =>
        run.Effects.Cases.Single(c => c.Range.Name == name).Range.Greatest[run.PlaceAt(at, isBehind), effect];

    public static int PlaceAt(this LoneRun run, double at, bool isBehind = false)
    {
        var found = run
            .Places.Places.Select((p, i) => (p, i))
            .Where(p => Math.Abs(p.p.At - at) < 1e-6)
            .OrderBy(p => p.p.IsBehind == isBehind ? 0 : 1)
            .First();
        return found.i;
    }

    public static double Greatest(this LoneRun run, LimitState state, GirderEffect effect, double at) =>
        run.Effects.Of(state).Greatest[run.PlaceAt(at), effect];
}
