using System.Text.Json.Nodes;
using Pravik.Core.Trusses;
using Pravik.Core.Units;
using Pravik.Exchange;
using Pravik.Web.Ledgers;

namespace Pravik.Web.Trusses;

/// <summary>
/// Turns what was typed into an entry of a truss scheme into an edit. Beside the values of the document there are some that draw: a
/// place for a new joint, joints for new bars, and values of many bars at once.
/// </summary>
internal static class TrussEntryReader
{
    /// <summary>Where a place for a new joint is typed.</summary>
    public const string NewJoint = "/parts/newJoint";

    /// <summary>Where joints are typed that are joined by bars.</summary>
    public const string NewBars = "/parts/newBars";

    /// <summary>Where a form is chosen that is drawn anew.</summary>
    public const string DrawForm = "/parts/form";

    /// <summary>Reads what was typed, in the units of the scheme.</summary>
    public static EntryReading Read(TrussScheme scheme, string path, string? text)
    {
        var units = UnitSystem.Named(scheme.Units);
        switch (path.Split('/'))
        {
            case ["", "parts", "newJoint"]:
                return Joint(scheme, text ?? "", units);
            case ["", "parts", "newBars"]:
                return Bars(scheme, text ?? "");
            case ["", "parts", "form"]:
                return Form(scheme, text ?? "");
            case ["", "bars", var some, "step"]:
                return Step(scheme, Numbers(scheme, some), text == "down" ? -1 : 1);
            case ["", "bars", var some, "gone"]:
                return Gone(scheme, Numbers(scheme, some));
            case ["", "bars", var many, var what] when many.Contains(','):
                return Many(scheme, many, what, text ?? "");
            default:
                return DocumentEntries.Read(
                    Formats.Truss.Node(scheme),
                    "scheme",
                    TrussEntries.At(path, scheme),
                    path,
                    text,
                    units,
                    value => Beside(scheme, path, value)
                );
        }
    }

    private static EntryReading Form(TrussScheme scheme, string text)
    {
        var forms = TrussEntries.All.First(e => e.Pattern == "/form/kind").Choices;
        if (forms.FirstOrDefault(f => f.Value == text) is not { } chosen)
            return DocumentEntries.Refused($"There is no form “{text}”; known are {string.Join(", ", forms.Select(f => f.Words))}.");
        var (drawn, why) = TrussForms.Draw(scheme, TrussForms.Usual(scheme, Enum.Parse<FormKind>(text, true)));
        return drawn is null ? DocumentEntries.Refused(why) : new(TrussPatch.Of(drawn), $"Drawn as {chosen.Words}", null);
    }

    private static EntryReading Joint(TrussScheme scheme, string text, UnitSystem units)
    {
        var parts = text.Split([';', ' '], StringSplitOptions.RemoveEmptyEntries);
        if (parts.Length != 2)
            return DocumentEntries.Refused("A place is typed as its distance along and its level, as 12.5 ; 3.");
        var (x, z) = (
            QuantityParser.Parse(parts[0], QuantityKind.Length, units),
            QuantityParser.Parse(parts[1], QuantityKind.Length, units)
        );
        if (!x.IsValid || !z.IsValid)
            return DocumentEntries.Refused(x.IsValid ? z.Error! : x.Error!);
        var (drawn, id) = TrussEdits.Joint(scheme, x.Value, z.Value, false);
        return drawn == scheme
            ? DocumentEntries.Refused($"Joint {id} lies there already.")
            : new(TrussPatch.Between(scheme, drawn), $"Joint {id} drawn", null);
    }

    private static EntryReading Bars(TrussScheme scheme, string text)
    {
        var ids = text.Split([' ', ',', ';', '–', '-'], StringSplitOptions.RemoveEmptyEntries);
        var places = TrussEdits.Places(scheme);
        if (ids.FirstOrDefault(i => !places.ContainsKey(i)) is { } unknown)
            return DocumentEntries.Refused($"There is no joint {unknown}.");
        if (ids.Length < 2)
            return DocumentEntries.Refused("Bars are typed by the joints that they join, as D1 J2 D3.");
        var drawn = TrussEdits.Join(scheme, ids, Usual(scheme), false);
        return drawn.Bars.Length == scheme.Bars.Length
            ? DocumentEntries.Refused("These joints are joined already.")
            : new(TrussPatch.Between(scheme, drawn), $"Bars drawn: {string.Join(" ", ids)}", null);
    }

    /// <summary>The section that a new bar takes: that of the last one.</summary>
    public static TrussBar Usual(TrussScheme scheme) => scheme.Bars.IsEmpty ? new() : scheme.Bars[^1];

    private static int[] Numbers(TrussScheme scheme, string bars) =>
        [.. bars.Split(',').Select(b => int.TryParse(b, out var i) ? i : -1).Where(i => i >= 0 && i < scheme.Bars.Length)];

    private static EntryReading Step(TrussScheme scheme, int[] bars, int by)
    {
        var patch = TrussPatch.Between(scheme, TrussEdits.Step(scheme, bars, by));
        return patch.Count == 0
            ? DocumentEntries.Refused("There is no further size in the family.")
            : new(patch, $"{Words(bars)} one size {(by > 0 ? "up" : "down")}", null);
    }

    private static EntryReading Gone(TrussScheme scheme, int[] bars) =>
        new(TrussPatch.Between(scheme, TrussEdits.Delete(scheme, [], bars, false)), $"{Words(bars)} taken away", null);

    private static string Words(int[] bars) => bars is [var bar] ? $"Bar {bar + 1}" : $"{bars.Length} bars";

    private static EntryReading Many(TrussScheme scheme, string many, string what, string text)
    {
        var bars = Numbers(scheme, many);
        if (bars.Length == 0 || TrussEntries.At($"/bars/{bars[0]}/{what}", scheme) is not { } entry)
            return DocumentEntries.Refused("This value cannot be entered.");
        if (entry.Choices.FirstOrDefault(c => c.Value == text) is not { } choice)
            return DocumentEntries.Refused($"“{text}” is not one of the choices.");
        var changed = what switch
        {
            "family" => TrussEdits.OfFamily(scheme, bars, text),
            "grade" => TrussEdits.Changed(scheme, bars, b => b with { Grade = text }),
            "size" => TrussEdits.Changed(scheme, bars, b => b with { Size = text }),
            "locked" => TrussEdits.Changed(scheme, bars, b => b with { Locked = text == "true" }),
            _ => scheme,
        };
        return new(TrussPatch.Between(scheme, changed), $"{entry.Name} of {bars.Length} bars set to {choice.Words}", null);
    }

    /// <summary>
    /// What changes with a value: another family takes the size nearest in area; values of a form draw it anew; bars follow the name of a
    /// joint.
    /// </summary>
    private static IEnumerable<PatchOperation> Beside(TrussScheme scheme, string path, JsonNode value)
    {
        switch (path.Split('/'))
        {
            case ["", "bars", var number, "family"] when int.TryParse(number, out var bar) && bar < scheme.Bars.Length:
                yield return new(
                    "replace",
                    $"/bars/{bar}/size",
                    JsonValue.Create(TrussEdits.OfFamily(scheme, [bar], value.GetValue<string>()).Bars[bar].Size)
                );
                break;
            case ["", "joints", var number, "id"] when int.TryParse(number, out var joint) && joint < scheme.Joints.Length:
                for (var b = 0; b < scheme.Bars.Length; b++)
                {
                    if (scheme.Bars[b].From == scheme.Joints[joint].Id)
                        yield return new("replace", $"/bars/{b}/from", value.DeepClone());
                    if (scheme.Bars[b].To == scheme.Joints[joint].Id)
                        yield return new("replace", $"/bars/{b}/to", value.DeepClone());
                }
                break;
            case ["", "form", _] or ["", "site", "panels" or "opening" or "springings"] when scheme.Form is not null:
                var document = Formats.Truss.Node(scheme);
                if (Formats.Truss.Edit(document, [new("replace", path, value.DeepClone())]).Document is not { Form: { } form } changed)
                    break;
                if (TrussForms.Draw(changed, form).Scheme is not { } drawn)
                    break;
                foreach (var operation in TrussPatch.Drawn(drawn))
                    yield return operation;
                break;
            default:
                break;
        }
    }
}
