using System.CommandLine;
using System.Text;
using System.Text.Json;
using Pravik.Core.Bridges;
using Pravik.Core.Effects;
using Pravik.Core.Models;
using Pravik.Core.Places;
using Pravik.Core.Stages;
using Pravik.Core.Traffic;
using Pravik.Core.Units;
using Pravik.Core.Vehicles;
using Pravik.Exchange;
using Pravik.Exchange.Tables;

namespace Pravik.Cli;

/// <summary><c>traffic FILE</c>: puts a traffic model where it is worst for effects of a bridge, with the load behind each value.</summary>
internal static class TrafficCommand
{
    private static readonly Dictionary<string, GirderEffect?> Effects = new(StringComparer.Ordinal)
    {
        ["M"] = GirderEffect.M,
        ["V"] = GirderEffect.V,
        ["T"] = GirderEffect.T,
        ["N"] = GirderEffect.N,
        // Reactions are of bearings, not of points.
        ["R"] = null,
        ["d"] = GirderEffect.Deflection,
    };

    private sealed record Asked(
        string File,
        string Model,
        string Effect,
        int? Girder,
        string? Vehicles,
        bool IsStatic,
        bool Json,
        bool Csv
    );

    public static Command Make()
    {
        var file = new Argument<string>("FILE") { Description = "A bridge as JSON (docs/file-format.md)." };
        var model = new Option<string>("--model")
        {
            Description = "Traffic model by name: LM1, LM2, LM3 1800/150, LM4, FLM1 to FLM4, LM71, SW/0, SW/2, HL-93, an own vehicle's.",
            DefaultValueFactory = _ => "LM1",
        };
        var effect = new Option<string>("--effect")
        {
            Description = "M, V, T, N of girders, R of bearings, d for deflections.",
            DefaultValueFactory = _ => "M",
        };
        var girder = new Option<int?>("--girder") { Description = "One girder, from 1; all without." };
        var vehicles = new Option<string?>("--vehicles") { Description = "A file of own vehicles (docs/traffic.md)." };
        var isStatic = new Option<bool>("--static") { Description = "Without dynamic factors and factors by number of lanes." };
        var json = new Option<bool>("--json") { Description = "Print JSON, in SI units." };
        var csv = new Option<bool>("--csv") { Description = "Print CSV, in SI units." };
        var command = new Command(
            "traffic",
            "Put a traffic model where it is worst for every place, without partial factors. Exit status 2: bad input."
        )
        {
            file,
            model,
            effect,
            girder,
            vehicles,
            isStatic,
            json,
            csv,
        };
        command.SetAction(p =>
            Run(
                new(
                    p.GetRequiredValue(file),
                    p.GetRequiredValue(model),
                    p.GetRequiredValue(effect),
                    p.GetValue(girder),
                    p.GetValue(vehicles),
                    p.GetValue(isStatic),
                    p.GetValue(json),
                    p.GetValue(csv)
                )
            )
        );
        return command;
    }

    private static int Run(Asked asked)
    {
        int Refuse(string words)
        {
            Console.Error.WriteLine(words);
            return Exit.BadInput;
        }
        if (!Effects.TryGetValue(asked.Effect, out var effect))
            return Refuse($"--effect: “{asked.Effect}” is none of {string.Join(", ", Effects.Keys)}.");
        if (BridgeFile.Read(asked.File) is not { } bridge)
            return Exit.BadInput;
        if (asked.Girder is { } number && (number < 1 || number > bridge.Girders.Count))
            return Refuse($"--girder: {number} is none of the girders 1 to {bridge.Girders.Count}.");
        var (traffic, problem) = ModelOf(asked, bridge);
        if (traffic is null)
            return problem.Length > 0 ? Refuse(problem) : Exit.BadInput;
        if (ModelRun.Refusal(bridge) is { } reason)
            return Refuse($"{asked.File}: {reason}.");
        try
        {
            var geometry = new BridgeGeometry(bridge);
            GirderIndex? girder = asked.Girder is { } one ? one - 1 : null;
            var target = TrafficQuery.Target(geometry);
            var onBridge = TrafficPlan.On(geometry, traffic);
            var placed = asked.IsStatic ? onBridge.Static() : onBridge;
            var found = TrafficQuery.Run(target, placed, effect is { } of ? [of] : [], effect is null, girder);
            var rows = TrafficRow.All(found, target, asked.Effect, effect, girder).ToList();
            if (asked.Json)
                Console.WriteLine(JsonSerializer.Serialize(new { envelopes = rows.Select(r => r.ToJson()) }, Indented));
            else if (asked.Csv)
                Csv(rows);
            else
                Table(rows, onBridge, UnitSystem.Named(bridge.Basis.Units));
            return Exit.Passes;
        }
        catch (ModelRefusedException refused)
        {
            return Refuse($"{asked.File}: {refused.Message}");
        }
    }

    private static readonly JsonSerializerOptions Indented = new(JsonSerializerDefaults.Web)
    {
        WriteIndented = true,
        Encoder = System.Text.Encodings.Web.JavaScriptEncoder.UnsafeRelaxedJsonEscaping,
    };

    /// <summary>The model that is asked for, or what is wrong; nothing more to say where that has been printed.</summary>
    private static (TrafficModel? Model, string Problem) ModelOf(Asked asked, Bridge bridge)
    {
        List<Vehicle> own = [.. bridge.Traffic.Vehicles];
        if (asked.Vehicles is { } path)
        {
            if (BridgeFile.ReadText(path) is not { } text)
                return (null, "");
            var reading = VehiclesJson.Read(text);
            if (reading.Findings.Count > 0)
                return (null, string.Join(Environment.NewLine, reading.Findings.Select(f => $"{path}{f.Path}: {f.Message}")));
            own.InsertRange(0, reading.Vehicles);
        }
        var values = bridge.Basis.Values;
        var names = TrafficModels.All(values).Select(m => m.Name).Concat(own.Select(v => v.Name));
        return TrafficModels.Named(asked.Model, values, [.. own]) is { } model
            ? (model, "")
            : (null, $"--model: “{asked.Model}” is none of {string.Join(", ", names)}.");
    }

    private static void Csv(List<TrafficRow> rows)
    {
        string[] columns = ["model", "girder", "span", "at", "station", "effect", "greatest", "least"];
        var table = rows.Select(r => (IReadOnlyList<object?>)[r.Model, r.Girder, r.Span, r.At, r.Station, r.Effect, r.Greatest, r.Least]);
        Console.Write(Encoding.UTF8.GetString(TableFiles.Csv(new("Traffic", columns, [.. table]))));
    }

    private static void Table(List<TrafficRow> rows, TrafficModel traffic, UnitSystem units)
    {
        Console.WriteLine($"{traffic.Name}, {traffic.Source}; characteristic values without partial factors");
        if (traffic.LeftOut is { } left)
            Console.WriteLine($"left out: {left}");
        var kind = rows.Count == 0 ? QuantityKind.Moment : rows[0].Kind;
        var symbol = units[kind].Symbol;
        Line("girder", "span", "station", $"greatest, {symbol}", $"least, {symbol}", "load behind the greatest");
        foreach (var r in rows)
            Line(
                $"G{r.Girder}",
                $"{r.Span}",
                units.Format(r.Station, QuantityKind.Length),
                units.Format(r.Greatest, kind),
                units.Format(r.Least, kind),
                TrafficRow.Words(r.GreatestLoading, units)
            );

        static void Line(string girder, string span, string station, string greatest, string least, string words) =>
            Console.WriteLine(
                (
                    girder.PadRight(7) + span.PadLeft(5) + station.PadLeft(12) + greatest.PadLeft(18) + least.PadLeft(18) + "  " + words
                ).TrimEnd()
            );
    }
}
