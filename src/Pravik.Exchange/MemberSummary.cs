using System.Collections.Immutable;
using System.Text.Json;
using System.Text.Json.Serialization;
using Pravik.Core.LoneMembers;
using Pravik.Core.Units;

namespace Pravik.Exchange;

/// <summary>A governing check of a member alone, in SI units; spans from 1, places from its beginning.</summary>
public sealed record MemberCheckRow(int Span, double At, string Check, double Effect, double Resistance, double Utilisation, string Clause)
{
    /// <summary>What effect and resistance are.</summary>
    public QuantityKind Kind { get; init; }

    /// <summary>Axial force beside the effect (N, tension positive).</summary>
    public double Axial { get; init; }
}

/// <summary>Reactions to a case or to traffic (N, up): greatest and least of each support.</summary>
public sealed record ReactionRow(string Load, ImmutableArray<double> Greatest, ImmutableArray<double> Least);

/// <summary>Greatest and least values of an effect under a limit state, at every place (<see cref="MemberSummary.At"/>).</summary>
public sealed record EffectRow(string State, string Effect, ImmutableArray<double> Greatest, ImmutableArray<double> Least);

/// <summary>What the checks of a member alone say, as JSON, with its reactions and effects.</summary>
public sealed record MemberSummary
{
    private static readonly JsonSerializerOptions Options = new(JsonSerializerDefaults.Web)
    {
        WriteIndented = true,
        Converters = { new JsonStringEnumConverter(JsonNamingPolicy.CamelCase) },
    };

    /// <summary>Name of the member.</summary>
    public required string Member { get; init; }

    /// <summary>True only where everything that applies was checked and passes.</summary>
    public required bool Passes { get; init; }

    /// <summary>Whether something that was checked fails.</summary>
    public required bool Fails { get; init; }

    /// <summary>What was checked.</summary>
    public required ImmutableArray<string> Checked { get; init; }

    /// <summary>What applies and was not checked.</summary>
    public required ImmutableArray<string> NotChecked { get; init; }

    /// <summary>The worst utilisation; null where nothing was checked.</summary>
    public double? Utilisation { get; init; }

    /// <summary>The worst of each span and check, worst first.</summary>
    public required ImmutableArray<MemberCheckRow> Checks { get; init; }

    /// <summary>Load and reaction of each case; empty where effects are given.</summary>
    public required ImmutableArray<BalanceRow> Balance { get; init; }

    /// <summary>Reactions by case, then of traffic.</summary>
    public required ImmutableArray<ReactionRow> Reactions { get; init; }

    /// <summary>Places of the effects (m); one stands twice where an effect may jump.</summary>
    public required ImmutableArray<double> At { get; init; }

    /// <summary>Envelopes of N, V, T, M and deflection by limit state.</summary>
    public required ImmutableArray<EffectRow> Effects { get; init; }

    /// <summary>The summary of a run.</summary>
    public static MemberSummary Of(LoneRun run) =>
        new()
        {
            Member = run.Member.Name,
            Passes = run.Checks.Passes,
            Fails = run.Checks.Fails,
            Checked = [.. run.Checks.Checked],
            NotChecked = run.Checks.NotChecked,
            Utilisation = run.Checks.Governing?.Utilisation,
            Checks =
            [
                .. run.GoverningBySpan()
                    .Select(o => new MemberCheckRow(
                        run.Places.Places[o.Point].Span + 1,
                        run.Places.Places[o.Point].At,
                        o.Name,
                        o.Effect,
                        o.Resistance,
                        o.Utilisation,
                        o.Clause
                    )
                    {
                        Axial = o.Axial,
                        Kind = o.Kind,
                    }),
            ],
            Balance = [.. run.Effects.Cases.Select(c => new BalanceRow(c.Range.Name, c.Results.Load, c.Results.Reactions.Sum()))],
            Reactions =
            [
                .. run.Effects.Cases.Select(c => new ReactionRow(c.Range.Name, c.Results.Reactions, c.Results.Reactions)),
                .. run.Effects.Traffic.Select(t => new ReactionRow(
                    t.Range.Name,
                    [.. t.Reactions.Select(r => r.Greatest)],
                    [.. t.Reactions.Select(r => r.Least)]
                )),
            ],
            At = [.. run.Places.Places.Select(p => p.At)],
            Effects = [.. EffectsOf(run)],
        };

    private static IEnumerable<EffectRow> EffectsOf(LoneRun run)
    {
        foreach (var (state, range) in run.Effects.States)
        {
            foreach (var effect in LoneRun.Shown)
            {
                ImmutableArray<double> Of(bool greatest) =>
                    [.. Enumerable.Range(0, run.Places.Places.Length).Select(p => range.Side(greatest)[p, effect])];
                yield return new(
                    JsonNamingPolicy.CamelCase.ConvertName($"{state}"),
                    JsonNamingPolicy.CamelCase.ConvertName($"{effect}"),
                    Of(true),
                    Of(false)
                );
            }
        }
    }

    /// <summary>The summary as JSON.</summary>
    public string Write() => JsonSerializer.Serialize(this, Options);
}
