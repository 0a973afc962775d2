using Pravik.Core.Bridges;
using Pravik.Core.Findings;
using Pravik.Exchange;

namespace Pravik.Cli;

/// <summary>Exit statuses, the same for every command.</summary>
internal static class Exit
{
    public const int Passes = 0;
    public const int Fails = 1;
    public const int BadInput = 2;
}

/// <summary>Reads a bridge and says on standard error what is wrong with it.</summary>
internal static class BridgeFile
{
    private static readonly System.Text.UTF8Encoding Utf8 = new(false, throwOnInvalidBytes: true);

    /// <summary>The text of a file, or null after the reason has been printed.</summary>
    public static string? ReadText(string path)
    {
        try
        {
            if (new FileInfo(path) is { Exists: true, Length: > 4L * BridgeJson.LongestDocument })
                throw new IOException("the file is too large to be a bridge");
            return File.ReadAllText(path, Utf8);
        }
        catch (Exception problem) when (problem is IOException or UnauthorizedAccessException or ArgumentException)
        {
            var words = problem is System.Text.DecoderFallbackException ? "the file is not UTF-8 text." : problem.Message;
            Console.Error.WriteLine($"{path}: {words}");
            return null;
        }
    }

    /// <summary>The bridge, or null after every reason has been printed with its place. Warnings are printed too.</summary>
    public static Bridge? Read(string path)
    {
        if (ReadText(path) is not { } text)
            return null;
        var reading = BridgeJson.Read(text);
        Print(path, reading.Findings);
        return reading.Bridge;
    }

    /// <summary>Prints findings of a file with their places.</summary>
    public static void Print(string path, IEnumerable<Finding> findings)
    {
        foreach (var finding in findings)
        {
            var place = finding.Path.Length > 0 ? $"{path}{finding.Path}" : path;
            Console.Error.WriteLine(
                $"{(finding.Severity switch { Severity.Error => "error", Severity.Fault => "fault", _ => "note" })}: {place}: "
                    + $"{finding.Message}{(finding.Why is { } why ? " " + why : "")}"
            );
        }
    }

    /// <summary>Makes a folder and writes a file into it; false, with the reason printed, where that cannot be.</summary>
    public static bool Write(DirectoryInfo folder, string name, byte[] content)
    {
        try
        {
            folder.Create();
            File.WriteAllBytes(Path.Combine(folder.FullName, name), content);
            return true;
        }
        catch (Exception problem) when (problem is IOException or UnauthorizedAccessException)
        {
            Console.Error.WriteLine($"{folder.FullName}: {problem.Message}");
            return false;
        }
    }
}
