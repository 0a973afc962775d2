using System.CommandLine;
using Pravik.Data;

namespace Pravik.Cli;

/// <summary><c>tidy</c>: makes the data of a server smaller.</summary>
internal static class TidyCommand
{
    public static Command Make()
    {
        var folder = new Option<string>("--data") { Description = "Folder of the server's data.", DefaultValueFactory = _ => ".data" };
        var command = new Command("tidy", "Remove grounds that no edit names and compact the database. No server may use the folder.")
        {
            folder,
        };
        command.SetAction(parsed =>
        {
            try
            {
                var (grounds, bytes) = Tidy.Run(Path.GetFullPath(parsed.GetRequiredValue(folder)));
                Console.WriteLine(
                    $"{grounds} unused {(grounds == 1 ? "ground" : "grounds")} removed, {Math.Max(0, bytes) / 1000} kB given back"
                );
                return Exit.Passes;
            }
            catch (Exception problem) when (problem is DataFolderException or IOException or UnauthorizedAccessException)
            {
                Console.Error.WriteLine($"tidy: {problem.Message}");
                return Exit.BadInput;
            }
        });
        return command;
    }
}
