using System.Text.Json;
using Pravik.Core.Frames;
using Pravik.Core.Geometry;

namespace Pravik.Exchange.Frames;

/// <summary>What a file gave: the model, or the reasons why there is none, each with its place in the file.</summary>
public sealed record FrameReading(FrameModel? Model, IReadOnlyList<FrameProblem> Problems);

/// <summary>Reads values of a JSON document one by one and notes what is wrong with each, with its place (JSON Pointer).</summary>
internal sealed class FrameFile
{
    public List<FrameProblem> Problems { get; } = [];

    public void Wrong(string path, string message) => Problems.Add(new(path, message));

    /// <summary>An object with no other members than those named.</summary>
    public bool IsObject(JsonElement value, string path, params string[] known)
    {
        if (value.ValueKind != JsonValueKind.Object)
        {
            Wrong(path, $"An object is expected here, not {Words(value)}.");
            return false;
        }
        foreach (var member in value.EnumerateObject().Where(m => !known.Contains(m.Name)))
            Wrong($"{path}/{member.Name}", $"“{member.Name}” is not a member that is known here. Known are {string.Join(", ", known)}.");
        return true;
    }

    /// <summary>Items of a list; none where it is missing.</summary>
    public List<(JsonElement Item, string Path)> List(JsonElement parent, string path, string name)
    {
        if (!parent.TryGetProperty(name, out var list))
            return [];
        if (list.ValueKind == JsonValueKind.Array)
            return [.. list.EnumerateArray().Select((item, i) => (item, $"{path}/{name}/{i}"))];
        Wrong($"{path}/{name}", $"A list is expected here, not {Words(list)}.");
        return [];
    }

    public string Text(JsonElement parent, string path, string name)
    {
        if (!parent.TryGetProperty(name, out var value))
            Wrong(path, $"“{name}” is missing.");
        else if (value.ValueKind != JsonValueKind.String)
            Wrong($"{path}/{name}", $"A text is expected here, not {Words(value)}.");
        else if (value.GetString() is { Length: > 0 } text)
            return text;
        else
            Wrong($"{path}/{name}", "The text is empty.");
        return "";
    }

    /// <summary>A finite number; where it is missing the usual one, or a problem where there is none.</summary>
    public double Number(JsonElement parent, string path, string name, double? usual = null)
    {
        if (parent.TryGetProperty(name, out var value))
            return Number(value, $"{path}/{name}");
        if (usual is null)
            Wrong(path, $"“{name}” is missing.");
        return usual ?? 0;
    }

    public double Number(JsonElement value, string path)
    {
        if (value.ValueKind != JsonValueKind.Number)
            Wrong(path, $"A number is expected here, not {Words(value)}.");
        else if (!value.TryGetDouble(out var number) || !double.IsFinite(number))
            Wrong(path, "The number is too large.");
        else
            return number;
        return 0;
    }

    /// <summary>A number above 0 (or at least 0).</summary>
    public double Positive(JsonElement parent, string path, string name, double? usual = null, bool orZero = false)
    {
        var before = Problems.Count;
        var number = Number(parent, path, name, usual);
        if (Problems.Count == before && (orZero ? number < 0 : number <= 0))
            Wrong($"{path}/{name}", $"{name} must be {(orZero ? "at least 0" : "greater than 0")}; {number:R} was given.");
        return number;
    }

    public double Between(JsonElement parent, string path, string name, double least, double greatest)
    {
        var before = Problems.Count;
        var number = Number(parent, path, name);
        if (Problems.Count == before && (number < least || number > greatest))
            Wrong($"{path}/{name}", $"{name} must lie between {least} and {greatest}; {number:R} was given.");
        return number;
    }

    /// <summary>Three numbers; null where they are missing.</summary>
    public Point3? Vector(JsonElement parent, string path, string name)
    {
        if (!parent.TryGetProperty(name, out var value))
            return null;
        if (value.ValueKind == JsonValueKind.Array && value.GetArrayLength() == 3)
            return new(Number(value[0], $"{path}/{name}/0"), Number(value[1], $"{path}/{name}/1"), Number(value[2], $"{path}/{name}/2"));
        Wrong($"{path}/{name}", "Three numbers are expected here.");
        return null;
    }

    /// <summary>A direction: three numbers that are not all 0.</summary>
    public Point3? Direction(JsonElement parent, string path, string name)
    {
        var vector = Vector(parent, path, name);
        if (vector is { Length: 0 })
            Wrong($"{path}/{name}", "A direction has a length.");
        return vector is { Length: > 0 } ? vector : null;
    }

    /// <summary>Members such as fx, fy, fz by name; 0 where they are missing.</summary>
    public Point3 Parts(JsonElement parent, string path, string x, string y, string z) =>
        new(Number(parent, path, x, 0), Number(parent, path, y, 0), Number(parent, path, z, 0));

    /// <summary>Which of some names a text is.</summary>
    public int Choice(JsonElement parent, string path, string name, string[] known, string? usual = null)
    {
        if (usual is not null && !parent.TryGetProperty(name, out _))
            return Array.IndexOf(known, usual);
        var text = Text(parent, path, name);
        var at = Array.IndexOf(known, text);
        if (at < 0 && text.Length > 0)
            Wrong($"{path}/{name}", $"“{text}” is not known here. Known are {string.Join(", ", known)}.");
        return Math.Max(at, 0);
    }

    /// <summary>Names of directions, each once.</summary>
    public List<FrameDirection> Directions(JsonElement parent, string path, string name)
    {
        List<FrameDirection> all = [];
        foreach (var (item, at) in List(parent, path, name))
        {
            if (item.ValueKind != JsonValueKind.String || FrameDirections.All.All(d => d.Name() != item.GetString()))
                Wrong(at, $"One of {string.Join(", ", FrameDirections.All.Select(d => d.Name()))} is expected here.");
            else if (FrameDirections.All.First(d => d.Name() == item.GetString()) is var direction && !all.Contains(direction))
                all.Add(direction);
        }
        return all;
    }

    private static string Words(JsonElement value) =>
        value.ValueKind switch
        {
            JsonValueKind.String => $"the text “{(value.GetString() is { Length: > 30 } text ? text[..30] + "…" : value.GetString())}”",
            JsonValueKind.Null => "null",
            JsonValueKind.True or JsonValueKind.False => "true or false",
            JsonValueKind.Array => "a list",
            JsonValueKind.Object => "an object",
            _ => "a number",
        };
}
