using System.CommandLine;
using Pravik.Data;

namespace Pravik.Cli;

/// <summary><c>backup FILE</c> and <c>restore FILE</c>: the data of a server as one file, and back.</summary>
internal static class BackupCommand
{
    public static Command Make() =>
        Of(
            "backup",
            "Write all bridges, their histories, the library, grounds and pictures into one file; safe while a server runs.",
            (file, folder) =>
            {
                Backup.Write(folder, file);
                Console.WriteLine($"{file}: {Math.Ceiling(new FileInfo(file).Length / 1000.0):0} kB");
            }
        );

    public static Command MakeRestore() =>
        Of(
            "restore",
            "Bring a backup back. No server may use the folder; what is in it is set aside.",
            (file, folder) =>
            {
                var aside = Backup.Restore(file, folder);
                Console.WriteLine(aside is null ? $"{folder}: restored" : $"{folder}: restored; what was there is in {aside}");
            }
        );

    private static Command Of(string name, string description, Action<string, string> act)
    {
        var file = new Argument<string>("FILE") { Description = "The backup, a ZIP archive." };
        var folder = new Option<string>("--data") { Description = "Folder of the server's data.", DefaultValueFactory = _ => ".data" };
        var command = new Command(name, description) { file, folder };
        command.SetAction(parsed =>
        {
            try
            {
                act(parsed.GetRequiredValue(file), Path.GetFullPath(parsed.GetRequiredValue(folder)));
                return Exit.Passes;
            }
            catch (Exception problem) when (problem is DataFolderException or IOException or UnauthorizedAccessException)
            {
                Console.Error.WriteLine($"{name}: {problem.Message}");
                return Exit.BadInput;
            }
        });
        return command;
    }
}
