namespace Pravik.Exchange.Tests;

/// <summary>Where the checkout lies.</summary>
internal static class Checkout
{
    public static string Root
    {
        get
        {
            var folder = AppContext.BaseDirectory;
            while (!File.Exists(Path.Combine(folder, "Pravik.slnx")))
                folder = Path.GetDirectoryName(folder)!;
            return folder;
        }
    }
}
