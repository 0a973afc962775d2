namespace Pravik.Core.Bridges;

/// <summary>A value of a bridge that names one of its parts: its path, and the value it has when the part is called otherwise.</summary>
public sealed record Reference(string Path, Func<string, string> Renamed);

/// <summary>
/// Who refers to a part by its name: to patterns, profiles, sections, types of girders and bearings, tendons and own cases.
/// </summary>
public static class References
{
    private static readonly Func<string, string> Alone = name => name;

    /// <summary>The values that name the part at a path such as <c>/sections/2</c>; none where there is no such part.</summary>
    public static IEnumerable<Reference> To(Bridge bridge, string path) =>
        path.Split('/') switch
        {
            ["", "deck", "patterns", var i] when At(i, bridge.Deck.Patterns) is { } p => Of(
                bridge.Deck.Units,
                "/deck/units",
                "pattern",
                u => u.Pattern == p.Name
            ),
            ["", "profiles", var i] when At(i, bridge.Profiles) is { } p => Of(
                bridge.Parapets,
                "/parapets",
                "profile",
                r => r.Profile == p.Name
            ),
            ["", "sections", var i] when At(i, bridge.Sections) is { } s => ToSection(bridge.Girders, s.Name),
            ["", "girders", "types", var i] when At(i, bridge.Girders.Types) is { } t => ToType(bridge.Girders, t.Name),
            ["", "bearings", var i] when At(i, bridge.Bearings) is { } b => ToBearing(bridge, b.Name),
            ["", "girders", "tendons", var i] when At(i, bridge.Girders.Tendons) is { } t => ToLoad(bridge, t.Name),
            ["", "traffic", "vehicles", var i] when At(i, bridge.Traffic.Vehicles) is { } v => Of(
                bridge.Traffic.Models,
                "/traffic/models",
                "name",
                m => m.Name == v.Name
            ),
            ["", "actions", "combinations", var i] when At(i, bridge.Actions.Combinations) is { } c => ToLoad(bridge, c.Name),
            ["", "actions", "cases", var i] when At(i, bridge.Actions.Cases) is { } c => ToLoad(bridge, c.Name),
            _ => [],
        };

    private static T? At<T>(string index, IReadOnlyList<T> list)
        where T : class => int.TryParse(index, out var i) && i >= 0 && i < list.Count ? list[i] : null;

    private static IEnumerable<Reference> ToSection(Girders girders, string name) =>
        [
            .. Of(girders.Types, "/girders/types", "section", t => t.Section == name),
            .. Of(girders.Own, "/girders/own", "section", o => o.Section == name),
            .. Of(girders.Ranges, "/girders/ranges", "section", r => r.Section == name),
            .. Of(girders.Diaphragms, "/girders/diaphragms", "section", d => d.Section == name),
        ];

    private static IEnumerable<Reference> ToType(Girders girders, string name) =>
        [
            .. girders.Type == name ? [new Reference("/girders/type", Alone)] : Array.Empty<Reference>(),
            .. Of(girders.Spans, "/girders/spans", "type", s => s.Type == name),
            .. Of(girders.Own, "/girders/own", "type", o => o.Type == name),
        ];

    private static IEnumerable<Reference> ToBearing(Bridge bridge, string name) =>
        bridge.Supports.SelectMany(s =>
            s.Value.Choices.Where(c => c.Value == name && c.Key.StartsWith("bearing", StringComparison.Ordinal))
                .Select(c => new Reference($"/supports/{s.Key}/choices/{c.Key}", Alone))
        );

    /// <summary>Stages that put a tendon or an own case on, and combinations that hold it.</summary>
    private static IEnumerable<Reference> ToLoad(Bridge bridge, string name)
    {
        var stages = bridge.Actions.Stages ?? [];
        for (var i = 0; i < stages.Length; i++)
        {
            var names = stages[i].LoadNames.ToList();
            if (names.Contains(name))
                yield return new($"/actions/stages/{i}/loads", now => string.Join(", ", names.Select(n => n == name ? now : n)));
        }
        for (var i = 0; i < bridge.Actions.Combinations.Length; i++)
        {
            var terms = bridge.Actions.Combinations[i].Terms;
            for (var p = 0; p < terms.Length; p++)
            {
                if (terms[p].Case == name)
                    yield return new($"/actions/combinations/{i}/terms/{p}/case", Alone);
            }
        }
    }

    private static IEnumerable<Reference> Of<T>(IEnumerable<T> list, string path, string value, Func<T, bool> names) =>
        list.Select((item, i) => (item, i)).Where(x => names(x.item)).Select(x => new Reference($"{path}/{x.i}/{value}", Alone));

    private static IEnumerable<Reference> Of<T>(
        IEnumerable<KeyValuePair<string, T>> items,
        string path,
        string value,
        Func<T, bool> names
    ) => items.Where(x => names(x.Value)).Select(x => new Reference($"{path}/{x.Key}/{value}", Alone));
}
