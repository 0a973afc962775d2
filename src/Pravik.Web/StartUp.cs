namespace Pravik.Web;

/// <summary>What is said where the application cannot start.</summary>
internal static class StartUp
{
    /// <summary>One line on standard error, and exit status 2.</summary>
    public static int Refused(string reason)
    {
        Console.Error.WriteLine($"pravik: {reason.ReplaceLineEndings(" ")}");
        return 2;
    }
}
