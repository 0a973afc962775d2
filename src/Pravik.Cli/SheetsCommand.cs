using System.CommandLine;
using System.Text;
using Pravik.Core.Places;
using Pravik.Core.Roads;
using Pravik.Core.Runs;
using Pravik.Core.Units;
using Pravik.Drawings.Sheets;
using Pravik.Drawings.Writers;
using Pravik.Exchange;

namespace Pravik.Cli;

/// <summary><c>sheets FILE --out DIR</c>: writes the general arrangement as PDF and SVG.</summary>
internal static class SheetsCommand
{
    public static Command Make()
    {
        var file = new Argument<string>("FILE") { Description = "A bridge as JSON (docs/file-format.md)." };
        var ground = new Option<FileInfo?>("--ground")
        {
            Description = "The ground to draw: LandXML with a surface, or points as CSV (east, north, level).",
        };
        var folder = new Option<DirectoryInfo>("--out")
        {
            Description = "Folder for the sheets; it is made where it is missing.",
            Required = true,
        };
        var command = new Command("sheets", "Write the sheets of a bridge as PDF and SVG. Exit status 2: bad input.")
        {
            file,
            ground,
            folder,
        };
        command.SetAction(parsed => Run(parsed.GetRequiredValue(file), parsed.GetValue(ground), parsed.GetRequiredValue(folder)));
        return command;
    }

    private static int Run(string file, FileInfo? groundFile, DirectoryInfo folder)
    {
        if (BridgeFile.Read(file) is not { } bridge)
            return Exit.BadInput;
        Ground? ground = null;
        if (groundFile is not null && !Read(groundFile, bridge.Ground?.Name, out ground))
            return Exit.BadInput;
        var drawing = GeneralArrangement.Draw(
            new BridgeGeometry(bridge),
            ground,
            UnitSystem.Named(bridge.Basis.Units),
            BridgeRun.Refusal(bridge) is null ? BridgeRun.Run(bridge, ground) : null,
            DateTime.Now.ToString("yyyy-MM-dd")
        );
        foreach (
            var (name, content) in new[]
            {
                ("general-arrangement.pdf", PdfWriter.Write(bridge.Name, [drawing])),
                ("general-arrangement.svg", Encoding.UTF8.GetBytes(SvgWriter.File(drawing))),
            }
        )
        {
            if (!BridgeFile.Write(folder, name, content))
                return Exit.BadInput;
            Console.WriteLine(Path.Combine(folder.FullName, name));
        }
        return Exit.Passes;
    }

    /// <summary>The surface of that name, or the first of the file.</summary>
    private static bool Read(FileInfo file, string? name, out Ground? ground)
    {
        ground = null;
        try
        {
            using var stream = file.OpenRead();
            var read = RoadFiles.Read(file.Name, stream);
            ground = (read.Grounds.FirstOrDefault(g => g.Name == name) ?? read.Grounds.FirstOrDefault())?.Ground;
            if (ground is not null)
                return true;
            Console.Error.WriteLine($"{file.Name}: it holds no ground. {string.Join(" ", read.Findings.Select(f => f.Message))}");
        }
        catch (Exception problem) when (problem is IOException or UnauthorizedAccessException)
        {
            Console.Error.WriteLine($"{file.Name}: {problem.Message}");
        }
        return false;
    }
}
