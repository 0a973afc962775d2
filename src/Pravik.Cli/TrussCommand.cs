using System.CommandLine;
using System.Globalization;
using System.Text;
using Pravik.Core.Findings;
using Pravik.Core.Trusses;
using Pravik.Core.Units;
using Pravik.Drawings.Sheets;
using Pravik.Drawings.Writers;
using Pravik.Exchange;
using Pravik.Exchange.Dxf;
using Pravik.Exchange.Frames;

namespace Pravik.Cli;

/// <summary>
/// <c>truss FILE [--json] [--out DIR]</c>: forces, ratios, cost and failures of a truss scheme;
/// <c>truss FILE --optimise size|shape|both --out BETTER.json</c>: makes it cheaper.
/// </summary>
internal static class TrussCommand
{
    public static Command Make()
    {
        var file = new Argument<string>("FILE") { Description = "A truss scheme as JSON (docs/truss-format.md)." };
        var json = new Option<bool>("--json") { Description = "Print JSON, in SI units." };
        var place = new Option<string?>("--out")
        {
            Description =
                "Write results.json, bars.txt, sheet.pdf, sheet.svg, scheme.dxf and frame.json into this "
                + "folder; with --optimise the better scheme into this file.",
        };
        var optimise = new Option<string?>("--optimise") { Description = "Make it cheaper: size, shape or both." };
        optimise.AcceptOnlyFromAmong("size", "shape", "both");
        var seed = new Option<int>("--seed")
        {
            Description = "Seed of the search; the same seed gives the same result.",
            DefaultValueFactory = _ => 1,
        };
        var command = new Command(
            "truss",
            "Analyse a truss scheme. Exit status 0: every bar and the deflection are within their limits; 1: one is not; 2: bad input."
        )
        {
            file,
            json,
            place,
            optimise,
            seed,
        };
        command.SetAction(parsed =>
            parsed.GetValue(optimise) is { } kind
                ? Search(parsed.GetRequiredValue(file), kind, parsed.GetValue(place), parsed.GetValue(seed))
                : Run(parsed.GetRequiredValue(file), parsed.GetValue(json), parsed.GetValue(place) is { } folder ? new(folder) : null)
        );
        return command;
    }

    private static int Run(string file, bool asJson, DirectoryInfo? folder)
    {
        if (Read(file) is not { } scheme)
            return Exit.BadInput;
        if (TrussResults.Of(TrussModel.Of(scheme)) is not { } results)
        {
            Console.Error.WriteLine($"{file}: the scheme has no bars that hold it: nothing is worked out.");
            return Exit.BadInput;
        }
        var summary = TrussSummary.Of(scheme, results);
        var table = AsTable(scheme, summary);
        if (
            folder is not null
            && !(
                BridgeFile.Write(folder, "results.json", Encoding.UTF8.GetBytes(summary.Write()))
                && BridgeFile.Write(folder, "bars.txt", Encoding.UTF8.GetBytes(table))
                && HandOver(folder, scheme, results)
            )
        )
            return Exit.BadInput;
        Console.WriteLine(asJson ? summary.Write() : table);
        return summary.Passes ? Exit.Passes : Exit.Fails;
    }

    private static bool HandOver(DirectoryInfo folder, TrussScheme scheme, TrussResults results)
    {
        var date = DateTime.Now.ToString("yyyy-MM-dd", CultureInfo.InvariantCulture);
        var sheet = TrussSheet.Draw(scheme, results, UnitSystem.Named(scheme.Units), date);
        using var frame = new MemoryStream();
        FrameWriter.Write(frame, TrussFrame.Of(scheme));
        return BridgeFile.Write(folder, "sheet.pdf", PdfWriter.Write(scheme.Name, [sheet]))
            && BridgeFile.Write(folder, "sheet.svg", Encoding.UTF8.GetBytes(SvgWriter.File(sheet)))
            && BridgeFile.Write(folder, "scheme.dxf", Encoding.ASCII.GetBytes(TrussDxf.Write(scheme)))
            && BridgeFile.Write(folder, "frame.json", frame.ToArray());
    }

    /// <summary>Searches for a cheaper scheme; exit status 1 where what was found does not pass.</summary>
    private static int Search(string file, string kind, string? place, int seed)
    {
        if (place is null)
        {
            Console.Error.WriteLine("--optimise needs --out: the file for the better scheme.");
            return Exit.BadInput;
        }
        if (Read(file) is not { } scheme)
            return Exit.BadInput;
        if (TrussResults.Of(TrussModel.Of(scheme)) is null)
        {
            Console.Error.WriteLine($"{file}: the scheme has no bars that hold it: nothing can be made lighter.");
            return Exit.BadInput;
        }
        SearchOptions options = new() { Kind = Enum.Parse<SearchKind>(kind, true), Seed = seed };
        var isWatched = !Console.IsErrorRedirected;
        var found = TrussSearch.Run(
            scheme,
            options,
            isWatched ? point => Console.Error.Write($"\r{point.Trials} trials, {point.Cost:0}   ") : null
        );
        if (isWatched)
            Console.Error.WriteLine();
        var path = new FileInfo(place);
        if (!BridgeFile.Write(path.Directory!, path.Name, Encoding.UTF8.GetBytes(Formats.Truss.WriteIndented(found.Scheme))))
            return Exit.BadInput;
        string Words(SearchPoint point) =>
            $"{QuantityText.Fixed(point.Cost, 0)} {scheme.Currency}".TrimEnd() + $", worst ratio {QuantityText.Fixed(point.Worst, 3)}";
        Console.WriteLine($"Steel and orders: {Words(found.Before)} → {Words(found.After)}, after {found.After.Trials} trials");
        if (!found.IsBetter)
            Console.WriteLine("Nothing better was found; the scheme is written as it is.");
        return found.Passes ? Exit.Passes : Exit.Fails;
    }

    /// <summary>The scheme of a file that can be analysed; null where it cannot, with the reasons printed.</summary>
    private static TrussScheme? Read(string file)
    {
        if (BridgeFile.ReadText(file) is not { } text)
            return null;
        var reading = Formats.Truss.Read(text);
        BridgeFile.Print(file, reading.Findings);
        return reading.Findings.Any(f => f.Severity == Severity.Fault) ? null : reading.Document;
    }

    private static string AsTable(TrussScheme scheme, TrussSummary summary)
    {
        var units = UnitSystem.Named(scheme.Units);
        var force = units[QuantityKind.Force];
        string Force(double value) => QuantityText.Fixed(value / force.Factor, 1);
        string Money(double value) => $"{QuantityText.Fixed(value, 0)} {scheme.Currency}".TrimEnd();
        string[][] bars =
        [
            ["Bar", "Joints", "Section", "Grade", "Length", $"N, {force.Symbol}", "N least", "N_t,Rd", "N_b,Rd", "Ratio", "By", ""],
            .. summary.Bars.Select(b =>
                new[]
                {
                    $"{b.Bar}",
                    $"{b.From} {b.To}",
                    b.Section,
                    b.Grade,
                    units.FormatWithUnit(b.Length, QuantityKind.Length),
                    Force(b.Most),
                    Force(b.Least),
                    Force(b.Tension),
                    Force(b.Compression),
                    QuantityText.Fixed(b.Ratio, 3),
                    b.Limit.ToString().ToLowerInvariant(),
                    b.Ratio <= 1 ? "" : "FAILS",
                }
            ),
        ];
        string[][] cost =
        [
            ["Cost", "Amount", "Price", ""],
            .. summary.Cost.Select(c =>
                new[] { c.Words, $"{QuantityText.Fixed(c.Amount, 1)} {c.Unit}", QuantityText.Significant(c.Price, 4), Money(c.Cost) }
            ),
            ["In all", "", "", Money(summary.TotalCost)],
        ];
        var limit = summary.DeflectionLimit is { } l ? $" of {units.FormatWithUnit(l, QuantityKind.Size)} allowed" : "";
        var text = new StringBuilder($"{scheme.Name}\n\n{TextTable.Of(bars, 4)}\n");
        text.Append($"Deflection under traffic {units.FormatWithUnit(summary.Deflection, QuantityKind.Size)}{limit}\n\n");
        text.Append(TextTable.Of(cost, 1)).Append('\n');
        text.Append(summary.Passes ? "What is checked passes" : "A check FAILS")
            .Append($": worst ratio {QuantityText.Fixed(summary.Worst, 3)}\n");
        foreach (var failure in summary.Failures)
            text.Append("  ").Append(failure).Append('\n');
        return text.Append($"Not looked at: {string.Join(", ", summary.NotChecked)}.").ToString();
    }
}
