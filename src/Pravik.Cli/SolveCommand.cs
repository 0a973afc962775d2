using System.CommandLine;
using Pravik.Core.Frames;
using Pravik.Exchange.Frames;

namespace Pravik.Cli;

/// <summary>Solves a frame model: 0 where it is solved, 2 where it is refused, with a line for each reason and nothing written.</summary>
internal static class SolveCommand
{
    public static Command Make()
    {
        var file = new Argument<FileInfo>("model") { Description = "Frame model as JSON." };
        var output = new Option<FileInfo?>("--out") { Description = "Where the results go; standard output where it is missing." };
        var command = new Command("solve", "Solve a frame model.") { file, output };
        command.SetAction(parsed => Run(parsed.GetValue(file)!, parsed.GetValue(output)));
        return command;
    }

    private static int Run(FileInfo file, FileInfo? output)
    {
        FrameModel model;
        FrameResults results;
        try
        {
            var reading = FrameReader.Read(File.ReadAllBytes(file.FullName));
            if (reading.Model is null)
                return Refused(reading.Problems);
            model = reading.Model;
            results = new FrameAnalysis(model).Solve();
        }
        catch (FrameRefusedException refused)
        {
            return Refused(refused.Problems);
        }
        catch (Exception problem) when (problem is IOException or UnauthorizedAccessException or OutOfMemoryException)
        {
            return Refused([new("", problem is OutOfMemoryException ? "The model needs more memory than there is." : problem.Message)]);
        }
        foreach (var warning in results.Warnings)
            Console.Error.WriteLine($"note: {warning}");
        try
        {
            if (output is null)
            {
                using var standard = Console.OpenStandardOutput();
                FrameResultsWriter.Write(standard, model, results);
                standard.WriteByte((byte)'\n');
                return 0;
            }
            // Written beside and moved, so that nothing half done is left.
            var beside = $"{output.FullName}.part";
            using (var stream = File.Create(beside))
                FrameResultsWriter.Write(stream, model, results);
            File.Move(beside, output.FullName, true);
            return 0;
        }
        catch (Exception problem) when (problem is IOException or UnauthorizedAccessException)
        {
            return Refused([new("", problem.Message)]);
        }
    }

    private static int Refused(IReadOnlyList<FrameProblem> problems)
    {
        foreach (var problem in problems)
            Console.Error.WriteLine($"{(problem.Path.Length == 0 ? "/" : problem.Path)}: {problem.Message}");
        return 2;
    }
}
