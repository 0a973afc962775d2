using System.CommandLine;
using Pravik.Core.Bridges;
using Pravik.Core.Effects;
using Pravik.Core.Frames;
using Pravik.Core.Stages;
using Pravik.Exchange.Frames;

namespace Pravik.Cli;

/// <summary><c>frame FILE [--model KIND] [--out MODEL]</c>: writes a model of a bridge in the open format.</summary>
internal static class FrameCommand
{
    public static Command Make()
    {
        var file = new Argument<string>("FILE") { Description = "A bridge as JSON (docs/file-format.md)." };
        var output = new Option<FileInfo?>("--out") { Description = "Where the model goes; standard output where it is missing." };
        var kind = new Option<ModelKind?>("--model")
        {
            Description = "line, grillage or shells; the bridge's own choice where it is missing.",
        };
        var command = new Command("frame", "Write a model of a bridge as a frame model (docs/frame-model.md). Exit status 2: bad input.")
        {
            file,
            kind,
            output,
        };
        command.SetAction(parsed => Run(parsed.GetRequiredValue(file), parsed.GetValue(kind), parsed.GetValue(output)));
        return command;
    }

    private static int Run(string file, ModelKind? kind, FileInfo? output)
    {
        if (BridgeFile.Read(file) is not { } bridge)
            return Exit.BadInput;
        if (ModelRun.Refusal(bridge) is { } reason)
        {
            Console.Error.WriteLine($"{file}: {reason}.");
            return Exit.BadInput;
        }
        FrameModel model;
        try
        {
            var choices = bridge.Model with { Kind = kind ?? bridge.Model.Kind };
            model = ModelRun.Run(new(bridge), choices, withTraffic: false).Exported;
        }
        catch (ModelRefusedException refused)
        {
            Console.Error.WriteLine($"{file}: {refused.Message}");
            return Exit.BadInput;
        }
        using var memory = new MemoryStream();
        FrameWriter.Write(memory, model);
        if (output is not null)
            return BridgeFile.Write(output.Directory!, output.Name, memory.ToArray()) ? Exit.Passes : Exit.BadInput;
        using var standard = Console.OpenStandardOutput();
        memory.WriteTo(standard);
        standard.WriteByte((byte)'\n');
        return Exit.Passes;
    }
}
