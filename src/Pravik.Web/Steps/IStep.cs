using Pravik.Web.Ledgers;
using Pravik.Web.Workspaces;

namespace Pravik.Web.Steps;

/// <summary>What the sheet holds: drawings from top to bottom, and a table under them.</summary>
public sealed record SheetContent(IReadOnlyList<ViewPart> Views, DataTable? Table = null);

/// <summary>A layout of a step: its name in requests, and what it is called on the screen.</summary>
public sealed record StepLayout(string Id, string Name);

/// <summary>A step of the work, a file each: layouts and what they show, ledger, controls, and the values that belong to it.</summary>
internal interface IStep
{
    /// <summary>Its name in addresses and requests.</summary>
    string Id { get; }

    string Name { get; }

    /// <summary>Whether it stands in the line of steps; others are reached from there.</summary>
    bool IsListed => true;

    /// <summary>At least one; the first is shown where none is asked for.</summary>
    IReadOnlyList<StepLayout> Layouts { get; }

    /// <summary>Beginnings of the paths of values that are entered here: findings about them lead here.</summary>
    IReadOnlyList<string> Paths { get; }

    /// <summary>
    /// Whether what is entered here is looked through before it counts as in order; steps of results have nothing to look
    /// through.
    /// </summary>
    bool HasValues => true;

    /// <summary>Beginnings of the paths that tell how it stands; those of a step that is not listed are told by another.</summary>
    IReadOnlyList<string> Watched => Paths;

    SheetContent Sheet(Screen screen, string layout);

    Ledger Ledger(Screen screen);

    /// <summary>Controls over the sheet.</summary>
    IReadOnlyList<SheetControl> Controls(Screen screen) => [];

    /// <summary>How it stands: a mark and its word.</summary>
    StepState State(Screen screen) =>
        screen.IsMentioned(Watched) ? new(Id, Name, "look", "needs a look") : new(Id, Name, "good", "in order");
}
