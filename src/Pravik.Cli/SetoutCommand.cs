using System.CommandLine;
using System.Globalization;
using Pravik.Core.Findings;
using Pravik.Core.Roads;
using Pravik.Exchange.LandXml;

namespace Pravik.Cli;

/// <summary><c>setout SOURCE --stations FROM:TO:STEP --offsets A,B,C</c>: prints coordinates of stations and offsets as CSV.</summary>
internal static class SetoutCommand
{
    private const int MostOffsets = 1000;

    public static Command Make()
    {
        var source = new Argument<string>("SOURCE") { Description = "A LandXML file, or a bridge as JSON." };
        var stations = new Option<string>("--stations")
        {
            Description = "FROM:TO:STEP in metres along the road; TO is always included.",
            Required = true,
        };
        var offsets = new Option<string>("--offsets")
        {
            Description = "Offsets in metres, separated by commas; positive to the right.",
            DefaultValueFactory = _ => "0",
        };
        var alignment = new Option<string?>("--alignment")
        {
            Description = "Name of the alignment of a LandXML file; the first otherwise.",
        };
        var profile = new Option<string?>("--profile") { Description = "Name of its profile; the first otherwise." };
        var command = new Command(
            "setout",
            "Print station, offset, x (east), y (north), z and azimuth as CSV. Exit status 2: bad input, or a station beyond the road."
        )
        {
            source,
            stations,
            offsets,
            alignment,
            profile,
        };
        command.SetAction(parsed =>
            Run(
                parsed.GetRequiredValue(source),
                parsed.GetRequiredValue(stations),
                parsed.GetRequiredValue(offsets),
                parsed.GetValue(alignment),
                parsed.GetValue(profile)
            )
        );
        return command;
    }

    private static int Run(string source, string stationText, string offsetText, string? alignment, string? profile)
    {
        if (Numbers(stationText, ':') is not [var from, var to, var step])
            return Refuse($"--stations “{stationText}” is not FROM:TO:STEP with three numbers.");
        if (Numbers(offsetText, ',') is not { Length: > 0 and <= MostOffsets } offsets)
            return Refuse($"--offsets “{offsetText}” is not a list of numbers such as -3.5,0,3.5.");
        var (stations, reason) = SetOut.Stations(from, to, step);
        if (stations is null)
            return Refuse($"--stations “{stationText}”: {reason}.");
        if ((long)stations.Count * offsets.Length > SetOut.MostPoints)
            return Refuse($"That would be more than {SetOut.MostPoints} points.");
        if (ReadRoad(source, alignment, profile) is not { } road)
            return Exit.BadInput;
        var line = new RoadLine(road);
        foreach (var station in new[] { from, to })
        {
            if (SetOut.OnRoad(line, station) is null)
                return Refuse(
                    string.Create(
                        CultureInfo.InvariantCulture,
                        $"Station {station} lies beyond the road “{road.Name}”, which runs from {line.StartStation:0.######} to "
                            + $"{line.EndStation:0.######}."
                    )
                );
        }
        if (line.Profile is null)
            Console.Error.WriteLine("note: the road has no profile, so z is empty.");
        else if (!line.Profile.Covers(from) || !line.Profile.Covers(to))
        {
            var (least, most) = line.Profile.Range;
            Console.Error.WriteLine(
                string.Create(
                    CultureInfo.InvariantCulture,
                    $"note: the profile reaches from {least:0.###} to {most:0.###}; z is empty elsewhere."
                )
            );
        }
        using var output = new StreamWriter(Console.OpenStandardOutput(), bufferSize: 1 << 16);
        SetOut.WriteCsv(output, line, stations, offsets);
        return Exit.Passes;
    }

    /// <summary>The road of a LandXML file (its content begins with “&lt;”) or of a bridge; null with every reason printed.</summary>
    private static Road? ReadRoad(string source, string? alignment, string? profile)
    {
        RoadFile file;
        try
        {
            using var stream = File.OpenRead(source);
            int first;
            do first = stream.ReadByte();
            while (first is ' ' or '\n' or '\r' or '\t' or 0xEF or 0xBB or 0xBF);
            if (first != '<')
                return BridgeFile.Read(source)?.Road;
            stream.Position = 0;
            file = LandXmlReader.Read(stream);
        }
        catch (Exception problem) when (problem is IOException or UnauthorizedAccessException or ArgumentException)
        {
            Refuse($"{source}: {problem.Message}");
            return null;
        }
        var chosen = alignment is null ? file.Alignments.FirstOrDefault() : file.Alignments.FirstOrDefault(a => a.Name == alignment);
        foreach (var finding in file.Findings.Concat(chosen?.Findings ?? []))
            Console.Error.WriteLine(
                $"{(finding.Severity == Severity.Error ? "error" : "note")}: {source}: {finding.Path}: {finding.Message}"
            );
        foreach (var (name, count) in file.Skipped)
            Console.Error.WriteLine($"note: {source}: {name} passed over ({count} ×)");
        if (chosen is null)
        {
            if (alignment is not null)
                Refuse($"{source} has no alignment “{alignment}”; it has: {string.Join(", ", file.Alignments.Select(a => a.Name))}.");
            else if (file.Findings.All(f => f.Severity != Severity.Error))
                Refuse($"{source} has no alignment.");
            return null;
        }
        if (alignment is null && file.Alignments.Length > 1)
            Console.Error.WriteLine($"note: alignment “{chosen.Name}” of {string.Join(", ", file.Alignments.Select(a => a.Name))}");
        if (chosen.Road is null)
            return null;
        if (chosen.With(profile) is { } road)
            return road;
        Refuse($"Alignment “{chosen.Name}” has no profile “{profile}”; it has: {string.Join(", ", chosen.Profiles.Select(p => p.Name))}.");
        return null;
    }

    private static double[]? Numbers(string text, char separator)
    {
        var parts = text.Split(separator);
        var numbers = new double[parts.Length];
        for (var i = 0; i < parts.Length; i++)
        {
            if (
                !double.TryParse(parts[i], NumberStyles.Float, CultureInfo.InvariantCulture, out numbers[i]) || !double.IsFinite(numbers[i])
            )
                return null;
        }
        return numbers;
    }

    private static int Refuse(string message)
    {
        Console.Error.WriteLine($"setout: {message}");
        return Exit.BadInput;
    }
}
