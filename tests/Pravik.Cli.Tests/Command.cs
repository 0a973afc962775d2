using System.Diagnostics;

namespace Pravik.Cli.Tests;

/// <summary>Runs the command line as a user does: a process, its output and its exit status.</summary>
internal static class Command
{
    /// <summary>A bridge that is drawn and not modelled: a girder is missing in a span.</summary>
    public static string WithGap()
    {
        var text = File.ReadAllText(Example("tansy-lane.json"));
        var file = Path.Combine(Directory.CreateTempSubdirectory("pravik-gap").FullName, "gap.json");
        File.WriteAllText(file, text.Replace("\"girders\": {", "\"girders\": { \"own\": { \"2-1\": { \"absent\": true } },"));
        return file;
    }

    public static string Example(string name)
    {
        var root = AppContext.BaseDirectory;
        while (!File.Exists(Path.Combine(root, "Pravik.slnx")))
            root = Path.GetDirectoryName(root)!;
        return Path.Combine(root, "examples", name);
    }

    public static (int Status, string Out, string Error) Run(params string[] arguments)
    {
        var start = new ProcessStartInfo("dotnet") { RedirectStandardOutput = true, RedirectStandardError = true };
        foreach (var argument in arguments.Prepend(Path.Combine(AppContext.BaseDirectory, "Pravik.Cli.dll")))
            start.ArgumentList.Add(argument);
        using var process = Process.Start(start)!;
        var error = process.StandardError.ReadToEndAsync();
        var text = process.StandardOutput.ReadToEnd();
        process.WaitForExit();
        return (process.ExitCode, text, error.Result);
    }
}
