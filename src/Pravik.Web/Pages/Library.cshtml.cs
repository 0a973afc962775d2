using System.Text.Json;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;
using Pravik.Core.Bridges;
using Pravik.Core.Findings;
using Pravik.Core.Sections;
using Pravik.Core.Units;
using Pravik.Core.Vehicles;
using Pravik.Data;
using Pravik.Exchange;

namespace Pravik.Web.Pages;

/// <summary>The office library: what is kept, its state, and its exchange as a file.</summary>
public sealed class LibraryModel(LibraryStore library, Starters starters) : PageModel
{
    /// <summary>All entries.</summary>
    public IReadOnlyList<LibraryRow> Rows { get; private set; } = [];

    /// <summary>What was wrong with a file.</summary>
    public IReadOnlyList<Finding> Findings { get; private set; } = [];

    /// <summary>What was taken from a file, in words.</summary>
    public string? Taken { get; private set; }

    private UnitSystem Units => UnitSystem.Named(Request.Cookies[UserUnits.Cookie]);

    /// <summary>A kind of entry in words.</summary>
    public static string Words(string kind) =>
        kind switch
        {
            LibraryJson.Pattern => "deck cross-section",
            LibraryJson.Section => "section",
            LibraryJson.Vehicle => "vehicle",
            LibraryJson.NationalSet => "national values",
            _ => "parapet profile",
        };

    /// <summary>One line that tells an item from others of its kind.</summary>
    public string Summary(LibraryRow row)
    {
        if (row.Kind == LibraryJson.Pattern && row.Value.Deserialize<DeckPattern>(BridgeJson.Options) is { } pattern)
            return $"{pattern.Left.Length} + {pattern.Right.Length} strips, "
                + $"{Units.FormatWithUnit(pattern.Left.Concat(pattern.Right).Sum(s => s.Width), QuantityKind.Length)} wide, slab "
                + $"{Units.FormatWithUnit(pattern.Slab.Thickness, QuantityKind.Size)}";
        if (row.Kind == LibraryJson.Profile && row.Value.Deserialize<OwnProfile>(BridgeJson.Options) is { } profile)
            return $"{profile.Outline.Length} corners, {Units.FormatWithUnit(ParapetProfile.Of(profile).Height, QuantityKind.Size)} high";
        if (row.Kind == LibraryJson.Section && row.Value.Deserialize<SectionShape>(BridgeJson.Options) is { } section)
            return $"{SectionFamily.Named(section.Family)?.Words}, "
                + $"{Units.FormatWithUnit(new MadeSection(section).Depth, QuantityKind.Size)} deep";
        if (row.Kind == LibraryJson.Vehicle && row.Value.Deserialize<Vehicle>(BridgeJson.Options) is { } vehicle)
            return $"{Units.FormatWithUnit(vehicle.Total, QuantityKind.Force)}, {vehicle.InWords(Units)}, "
                + $"{Units.FormatWithUnit(vehicle.Length, QuantityKind.Length)} long";
        if (row.Kind == LibraryJson.NationalSet && row.Value.Deserialize<OfficeSet>(BridgeJson.Options) is { } set)
        {
            var values = string.Join(", ", set.Values.Take(6).Select(v => $"{v.Key} {QuantityText.Fixed(v.Value, 3)}"));
            return values.Length == 0 ? set.NationalSet : $"{set.NationalSet}, with {values}";
        }
        return "";
    }

    /// <summary>Shows the page.</summary>
    public async Task OnGetAsync() => Rows = await library.ListAsync();

    /// <summary>Marks an entry as superseded, or as current again.</summary>
    public async Task<IActionResult> OnPostMarkAsync(string? kind, string? name, bool superseded)
    {
        await library.MarkAsync(kind ?? "", name ?? "", superseded);
        return RedirectToPage();
    }

    /// <summary>Takes an entry out of the library.</summary>
    public async Task<IActionResult> OnPostTakeAsync(string? kind, string? name)
    {
        await library.TakeAwayAsync(kind ?? "", name ?? "");
        return RedirectToPage();
    }

    /// <summary>Brings in what ships with the program and is not there.</summary>
    public async Task<IActionResult> OnPostShippedAsync()
    {
        var count = await starters.FillAsync(library);
        Taken = count == 0 ? "All that ships with the program is here already." : $"{count} brought in.";
        Rows = await library.ListAsync();
        return Page();
    }

    /// <summary>Takes a file.</summary>
    public async Task<IActionResult> OnPostFileAsync(IFormFile? file)
    {
        if (file is null || file.Length == 0)
            Findings = [Finding.Error("", "Choose a file first.")];
        else if (file.Length > BridgeJson.LongestDocument)
            Findings = [Finding.Error("", "The file is too large to be a library.")];
        else
        {
            using var reader = new StreamReader(file.OpenReadStream());
            var reading = LibraryJson.Read(await reader.ReadToEndAsync());
            Findings = reading.Findings;
            var replaced = 0;
            foreach (var item in reading.Items)
                replaced += await library.KeepAsync(item) ? 1 : 0;
            if (reading.Items.Length > 0)
                Taken = $"{reading.Items.Length} taken{(replaced > 0 ? $", {replaced} of them in place of one of the same name" : "")}.";
        }
        Rows = await library.ListAsync();
        return Page();
    }
}
