using System.CommandLine;
using System.Text;
using Pravik.Core.Bridges;
using Pravik.Core.Design;
using Pravik.Core.Units;
using Pravik.Drawings.Sheets;
using Pravik.Drawings.Writers;

namespace Pravik.Cli;

/// <summary><c>sheets FILE --out DIR</c>: writes the general arrangement as PDF and SVG.</summary>
internal static class SheetsCommand
{
    public static Command Make()
    {
        var file = new Argument<string>("FILE") { Description = "A bridge as JSON (docs/file-format.md)." };
        var folder = new Option<DirectoryInfo>("--out") { Description = "Folder for the sheets; it is made where it is missing.", Required = true };
        var command = new Command("sheets", "Write the sheets of a bridge as PDF and SVG. Exit status 2: bad input.") { file, folder };
        command.SetAction(parsed => Run(parsed.GetRequiredValue(file), parsed.GetRequiredValue(folder)));
        return command;
    }

    private static int Run(string file, DirectoryInfo folder)
    {
        if (BridgeFile.Read(file) is not { } bridge) return Exit.BadInput;
        var drawing = GeneralArrangement.Draw(new BridgeGeometry(bridge), null, UnitSystem.Named(bridge.Basis.Units), BridgeRun.Run(bridge), DateTime.Now.ToString("yyyy-MM-dd"));
        foreach (var (name, content) in new[] { ("general-arrangement.pdf", PdfWriter.Write(bridge.Name, [drawing])), ("general-arrangement.svg", Encoding.UTF8.GetBytes(SvgWriter.File(drawing))) })
        {
            if (!BridgeFile.Write(folder, name, content)) return Exit.BadInput;
            Console.WriteLine(Path.Combine(folder.FullName, name));
        }
        return Exit.Passes;
    }
}
