using System.Collections.Immutable;
using System.Text.Json;
using System.Text.Json.Serialization;
using Pravik.Core.Checks;
using Pravik.Core.Runs;
using Pravik.Core.Units;

namespace Pravik.Exchange;

/// <summary>A governing check, in SI units; girder and span from 1.</summary>
public sealed record CheckRow(
    int Girder,
    int Span,
    double Station,
    string Check,
    double Effect,
    double Resistance,
    double Utilisation,
    string Clause
)
{
    /// <summary>What effect and resistance are: a moment (Nm), a force (N), or a number.</summary>
    public QuantityKind Kind { get; init; } = QuantityKind.Moment;

    /// <summary>Axial force beside the effect (N, tension positive).</summary>
    public double Axial { get; init; }
}

/// <summary>A governing check of the slab across, per metre: its span from 1, and the offset from the road line (m).</summary>
public sealed record SlabCheckRow(
    int Span,
    double Offset,
    string Check,
    double Effect,
    double Resistance,
    double Utilisation,
    string Clause
)
{
    /// <summary>What effect and resistance are.</summary>
    public QuantityKind Kind { get; init; } = QuantityKind.Moment;
}

/// <summary>How a case balances: load down and reaction up (N).</summary>
public sealed record BalanceRow(string Load, double Applied, double Reacted);

/// <summary>
/// What the checks of a bridge say, as JSON: whether all that applies was checked and passes, what was checked, what was not, the
/// worst utilisation and the governing check of each girder and span.
/// </summary>
public sealed record CheckSummary
{
    private static readonly JsonSerializerOptions Options = new(JsonSerializerDefaults.Web)
    {
        WriteIndented = true,
        Converters = { new JsonStringEnumConverter(JsonNamingPolicy.CamelCase) },
    };

    /// <summary>Name of the bridge.</summary>
    public required string Bridge { get; init; }

    /// <summary>True only where everything that applies was checked and passes.</summary>
    public required bool Passes { get; init; }

    /// <summary>Whether something that was checked fails.</summary>
    public required bool Fails { get; init; }

    /// <summary>What was checked.</summary>
    public required ImmutableArray<string> Checked { get; init; }

    /// <summary>What applies and was not checked.</summary>
    public required ImmutableArray<string> NotChecked { get; init; }

    /// <summary>Name of the check with the worst utilisation; null where nothing was checked.</summary>
    public string? Worst { get; init; }

    /// <summary>The worst utilisation; null where nothing was checked.</summary>
    public double? Utilisation { get; init; }

    /// <summary>The worst of each girder, span and check, worst first.</summary>
    public required ImmutableArray<CheckRow> Checks { get; init; }

    /// <summary>The worst of each check of the slab across, span by span, worst first.</summary>
    public ImmutableArray<SlabCheckRow> Slabs { get; init; } = [];

    /// <summary>Load and reaction, case by case.</summary>
    public required ImmutableArray<BalanceRow> Balance { get; init; }

    /// <summary>The summary of results.</summary>
    public static CheckSummary Of(string bridge, BridgeResults results) =>
        new()
        {
            Bridge = bridge,
            Passes = results.Passes,
            Fails = results.Fails,
            Checked = [.. results.Checked],
            NotChecked = [.. results.NotChecked],
            Worst = results.Worst?.Name,
            Utilisation = results.Worst?.Utilisation,
            Checks =
            [
                .. results
                    .GoverningByGirder()
                    .Select(o =>
                    {
                        var p = results.Points[o.Point];
                        return new CheckRow(
                            p.Girder.Number,
                            p.Span.Number,
                            p.Station,
                            o.Name,
                            o.Effect,
                            o.Resistance,
                            o.Utilisation,
                            o.Clause
                        )
                        {
                            Axial = o.Axial,
                            Kind = o.Kind,
                        };
                    }),
            ],
            Slabs =
            [
                .. results
                    .GoverningOfSlabs()
                    .Select(s => new SlabCheckRow(
                        s.Slab.Span.Number,
                        s.Slab.OffsetOf(s.Outcome),
                        s.Outcome.Name,
                        s.Outcome.Effect,
                        s.Outcome.Resistance,
                        s.Outcome.Utilisation,
                        s.Outcome.Clause
                    )
                    {
                        Kind = s.Outcome.Kind,
                    }),
            ],
            Balance = [.. results.Model.Cases.Select(c => new BalanceRow(c.Name, c.Account.Load, c.Account.Reaction))],
        };

    /// <summary>What passes, or what fails worst, in words, and what is not checked yet.</summary>
    public string Words => CheckWords.Verdict(Checked, NotChecked, Utilisation is { } u ? (Worst ?? Checked[0], u) : null);

    /// <summary>The summary as JSON.</summary>
    public string Write() => JsonSerializer.Serialize(this, Options);

    /// <summary>Null where the text is no summary of this version.</summary>
    public static CheckSummary? Read(string text)
    {
        try
        {
            return JsonSerializer.Deserialize<CheckSummary>(text, Options);
        }
        catch (JsonException)
        {
            return null;
        }
    }
}
