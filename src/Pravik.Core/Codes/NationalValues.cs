using System.Collections.Immutable;
using System.Text.Json;

namespace Pravik.Core.Codes;

/// <summary>One nationally determined value: its name, size, what it is and the clause that asks for it.</summary>
public sealed record NationalValue(string Name, double Value, string Meaning, string Clause);

/// <summary>A set of nationally determined values. Data, read from a file; own values of a project replace single entries.</summary>
public sealed class NationalValues
{
    /// <summary>The set with the values that the European text recommends.</summary>
    public const string Recommended = "EN recommended";

    private static readonly JsonSerializerOptions Options = new(JsonSerializerDefaults.Web);
    private static readonly ImmutableArray<NationalValues> Shipped = [.. ReadShipped()];
    private readonly ImmutableDictionary<string, double> values;
    private NationalValues? persistent;

    private NationalValues(string name, ImmutableArray<NationalValue> entries)
    {
        Name = name;
        Entries = entries;
        values = entries.ToImmutableDictionary(e => e.Name, e => e.Value);
    }

    /// <summary>Name of the set.</summary>
    public string Name { get; }

    /// <summary>Its values.</summary>
    public ImmutableArray<NationalValue> Entries { get; }

    /// <summary>The names of the sets that can be chosen.</summary>
    public static IReadOnlyList<string> Names => [.. Shipped.Select(set => set.Name)];

    /// <summary>
    /// The value called <paramref name="name"/>. Throws where a set lacks it: every shipped set is complete, as a test holds.
    /// </summary>
    public double this[string name] => values[name];

    /// <summary>The set of persistent situations to which one of accidental situations belongs; itself otherwise.</summary>
    public NationalValues Persistent => persistent ?? this;

    /// <summary>The set with the partial factors of resistance of accidental situations (EN 1992-1-1 Table 2.1N).</summary>
    public NationalValues InAccidents() =>
        new(
            Name,
            [
                .. Entries.Select(e =>
                    e.Name switch
                    {
                        "gammaC" => e with { Value = this["gammaCaccidental"] },
                        "gammaS" => e with { Value = this["gammaSaccidental"] },
                        _ => e,
                    }
                ),
            ]
        )
        {
            persistent = this,
        };

    /// <summary>Whether there is a value of that name.</summary>
    public bool Has(string name) => values.ContainsKey(name);

    /// <summary>The shipped set of that name, or null.</summary>
    public static NationalValues? Named(string name) => Shipped.FirstOrDefault(set => set.Name == name);

    /// <summary>The set of a name, the recommended one where there is none, with own values in place. Unknown names are left out.</summary>
    public static NationalValues With(string set, ImmutableSortedDictionary<string, double> own)
    {
        var named = Named(set) ?? Named(Recommended)!;
        return own.Count == 0
            ? named
            : new(named.Name, [.. named.Entries.Select(e => own.TryGetValue(e.Name, out var value) ? e with { Value = value } : e)]);
    }

    private static IEnumerable<NationalValues> ReadShipped()
    {
        var assembly = typeof(NationalValues).Assembly;
        foreach (var resource in assembly.GetManifestResourceNames().Where(n => n.StartsWith("sets/", StringComparison.Ordinal)).Order())
        {
            using var stream = assembly.GetManifestResourceStream(resource)!;
            var file = JsonSerializer.Deserialize<SetFile>(stream, Options)!;
            yield return new(file.Name, file.Values);
        }
    }

    private sealed record SetFile(string Name, ImmutableArray<NationalValue> Values);
}
