using System.CommandLine;
using Pravik.Core.Analysis.Frames;
using Pravik.Core.Bridges;
using Pravik.Core.Design;
using Pravik.Exchange.Frames;

namespace Pravik.Cli;

/// <summary><c>frame FILE [--out MODEL]</c>: writes the grillage of a bridge as a frame model.</summary>
internal static class FrameCommand
{
    public static Command Make()
    {
        var file = new Argument<string>("FILE") { Description = "A bridge as JSON (docs/file-format.md)." };
        var output = new Option<FileInfo?>("--out") { Description = "Where the model goes; standard output where it is missing." };
        var command = new Command("frame", "Write the grillage of a bridge as a frame model (docs/frame-model.md). Exit status 2: bad input.") { file, output };
        command.SetAction(parsed => Run(parsed.GetRequiredValue(file), parsed.GetValue(output)));
        return command;
    }

    private static int Run(string file, FileInfo? output)
    {
        if (BridgeFile.Read(file) is not { } bridge) return Exit.BadInput;
        if (BridgeRun.Refusal(bridge) is { } reason)
        {
            Console.Error.WriteLine($"{file}: {reason}.");
            return Exit.BadInput;
        }
        var model = BridgeFrame.OfGrillage(new BridgeGeometry(bridge));
        using var memory = new MemoryStream();
        FrameWriter.Write(memory, model);
        if (output is not null) return BridgeFile.Write(output.Directory!, output.Name, memory.ToArray()) ? Exit.Passes : Exit.BadInput;
        using var standard = Console.OpenStandardOutput();
        memory.WriteTo(standard);
        standard.WriteByte((byte)'\n');
        return Exit.Passes;
    }
}
