namespace Pravik.Drawings.Writers;

/// <summary>The fonts that ship with the program.</summary>
internal static class FontFiles
{
    public static byte[] Read(string name)
    {
        using var stream =
            typeof(FontFiles).Assembly.GetManifestResourceStream("fonts/" + name)
            ?? throw new FileNotFoundException($"The font {name} is not in the program.");
        using var memory = new MemoryStream();
        stream.CopyTo(memory);
        return memory.ToArray();
    }
}
