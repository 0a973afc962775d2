using System.Collections.Immutable;
using Pravik.Core.Geometry;

namespace Pravik.Core.Trusses;

/// <summary>Draws the standard forms over a site.</summary>
public static class TrussForms
{
    /// <summary>A form of a kind with usual sizes over the site of a scheme; that of the scheme where it is of this kind.</summary>
    public static TrussForm Usual(TrussScheme scheme, FormKind kind)
    {
        var (site, form) = (scheme.Site, scheme.Form);
        if (form?.Kind == kind)
            return form;
        double Tidy(double x) => Math.Max(0.5, Math.Round(2 * x) / 2);
        var depth = kind switch
        {
            FormKind.DeckArch => Tidy(site.Opening / 25),
            FormKind.Stayed => Tidy(site.Opening / 4),
            FormKind.Bowstring => Tidy(site.Opening / 6),
            _ => Tidy(site.Opening / 8),
        };
        var rise = kind switch
        {
            FormKind.DeckArch => Tidy((site.Springings ?? 6) - depth - 0.5),
            FormKind.Stayed => Tidy(site.Opening / 25),
            _ => Tidy(depth / 3),
        };
        return new()
        {
            Kind = kind,
            Depth = depth,
            Rise = rise,
            IsBelow = form?.IsBelow == true && kind is not (FormKind.Bowstring or FormKind.Stayed),
        };
    }

    /// <summary>
    /// Joints and bars of a form over the site of a scheme, with the section of its first bar, or those of bars that join the same joints
    /// already. Refuses with a reason where the site does not allow the form.
    /// </summary>
    public static (TrussScheme? Scheme, string Refusal) Draw(TrussScheme scheme, TrussForm form)
    {
        var places = new SitePlaces(scheme.Site);
        if (Refusal(scheme.Site, form) is { Length: > 0 } why)
            return (null, why);
        var drawn = new FormDrawing(places);
        drawn.Deck();
        switch (form.Kind)
        {
            case FormKind.Warren:
                drawn.Warren(form);
                break;
            case FormKind.K:
                drawn.HalfDiagonals(form);
                break;
            case FormKind.DeckArch:
                drawn.DeckArch(form);
                break;
            case FormKind.Stayed:
                drawn.Stayed(form);
                break;
            default:
                drawn.Upright(form);
                break;
        }
        var former = scheme.Bars.GroupBy(b => b.Ends).ToDictionary(g => g.Key, g => g.First());
        var usual = scheme.Bars.IsEmpty ? new TrussBar() : scheme.Bars[0];
        return (
            scheme with
            {
                Form = form,
                Joints = [.. drawn.Joints],
                Bars =
                [
                    .. drawn.Bars.Select(b =>
                        (former.GetValueOrDefault(TrussBar.Pair(b.From, b.To)) ?? usual with { Locked = false }) with
                        {
                            From = b.From,
                            To = b.To,
                        }
                    ),
                ],
            },
            ""
        );
    }

    /// <summary>Why a site does not allow a form; empty where it does.</summary>
    public static string Refusal(TrussSite site, TrussForm form) =>
        form.Kind switch
        {
            FormKind.DeckArch when site.Springings is null => "A deck arch needs springings: choose abutments with springings.",
            FormKind.DeckArch when site.Springings < form.Rise + form.Depth =>
                "The arch reaches above the deck: rise and depth together must stay below the depth of the springings.",
            FormKind.Stayed when site.LeftAnchor is null || site.RightAnchor is null => "Stays need an anchorage behind each abutment.",
            FormKind.Stayed when site.Panels < 4 => "Stays need at least four panels.",
            FormKind.Bowstring or FormKind.Parker when site.Panels < 4 => "A bent chord needs at least four panels.",
            FormKind.K or FormKind.Pratt or FormKind.Howe when site.Panels < 2 => "The form needs at least two panels.",
            FormKind.Bowstring or FormKind.Stayed when form.IsBelow => "The form lies above the deck.",
            FormKind.Parker when form.Rise >= form.Depth => "The rise of a bent chord must stay below its depth at the middle.",
            _ => "",
        };
}

/// <summary>A form as it is drawn: joints from left to right, bars between them.</summary>
internal sealed class FormDrawing(SitePlaces places)
{
    private readonly int panels = places.Deck.Length - 1;
    private readonly double length = places.Deck[^1].At.X;
    private readonly double road = places.Deck[0].At.Y;

    public List<TrussJoint> Joints { get; } = [];

    public List<(string From, string To)> Bars { get; } = [];

    /// <summary>The chord at road level.</summary>
    public void Deck()
    {
        for (var i = 0; i < panels; i++)
            Join($"D{i}", $"D{i + 1}");
    }

    /// <summary>Triangles: joints of the other chord over the middle of each panel.</summary>
    public void Warren(TrussForm form)
    {
        List<string> others = [];
        for (var i = 0; i < panels; i++)
        {
            others.Add(Joint((i + 0.5) * places.Panel, form.Depth, form.IsBelow));
            Join($"D{i}", others[i]);
            Join(others[i], $"D{i + 1}");
        }
        Chain(others);
    }

    /// <summary>Pratt, Howe, Parker and bowstring: an upright at every inner joint of the deck, the ends raked.</summary>
    public void Upright(TrussForm form)
    {
        var others = Enumerable.Range(1, panels - 1).ToDictionary(i => i, i => Joint(i * places.Panel, Height(form, i), form.IsBelow));
        for (var i = 1; i < panels; i++)
            Join($"D{i}", others[i]);
        Chain([.. others.Values]);
        Join("D0", others[1]);
        Join(others[panels - 1], $"D{panels}");
        for (var i = 1; i < panels - 1; i++)
        {
            // The tie at the deck of a truss above it: diagonals that fall towards the middle are in tension. Below the deck they rise.
            var isLeft = 2 * i + 1 < panels || (2 * i + 1 == panels && form.Kind != FormKind.Howe);
            var fallsToMiddle = form.Kind != FormKind.Howe ^ form.IsBelow;
            if (isLeft == fallsToMiddle)
                Join(others[i], $"D{i + 1}");
            else
                Join($"D{i}", others[i + 1]);
            // The panel about the middle of an odd number is crossed both ways.
            if (2 * i + 1 == panels)
                Join(isLeft == fallsToMiddle ? $"D{i}" : others[i], isLeft == fallsToMiddle ? others[i + 1] : $"D{i + 1}");
        }
    }

    /// <summary>
    /// Uprights in halves; from the middle of each two diagonals go to the chords of the upright before, towards the ends.
    /// </summary>
    public void HalfDiagonals(TrussForm form)
    {
        var others = Enumerable.Range(1, panels - 1).ToDictionary(i => i, i => Joint(i * places.Panel, form.Depth, form.IsBelow));
        Chain([.. others.Values]);
        Join("D0", others[1]);
        Join(others[panels - 1], $"D{panels}");
        for (var i = 1; i < panels; i++)
        {
            var isEnd = i == 1 || i == panels - 1;
            var before = 2 * i <= panels ? i - 1 : i + 1;
            if (isEnd || (2 * i == panels && panels % 2 != 0))
            {
                Join($"D{i}", others[i]);
                continue;
            }
            var middle = Joint(i * places.Panel, form.Depth / 2, form.IsBelow);
            Join($"D{i}", middle);
            Join(middle, others[i]);
            Join(middle, $"D{before}");
            Join(middle, others[before]);
            if (2 * i == panels)
            {
                Join(middle, $"D{i + 1}");
                Join(middle, others[i + 1]);
            }
        }
        if (panels % 2 != 0 && panels > 2)
            Join($"D{panels / 2}", others[panels / 2 + 1]);
    }

    /// <summary>Two parabolas from the springings, uprights to the deck, diagonals between the parabolas.</summary>
    public void DeckArch(TrussForm form)
    {
        var spring = places.Joints.First(j => j.Id == "S1").At.Y;
        double Arch(int i) => 4 * form.Rise * i * (panels - i) / ((double)panels * panels);
        List<string> upper = [],
            lower = [];
        for (var i = 0; i <= panels; i++)
        {
            var x = i * places.Panel;
            lower.Add(
                i == 0 ? "S1"
                : i == panels ? "S2"
                : Place(x, spring + Arch(i))
            );
            upper.Add(Place(x, spring + form.Depth + Arch(i)));
        }
        Chain(lower);
        Chain(upper);
        for (var i = 0; i <= panels; i++)
        {
            Join(lower[i], upper[i]);
            Join(upper[i], $"D{i}");
        }
        for (var i = 0; i < panels; i++)
        {
            if (2 * i < panels)
                Join(upper[i], lower[i + 1]);
            else
                Join(lower[i], upper[i + 1]);
        }
        // The deck is held along at its crown by two bars that cross to the arch.
        var middle = panels / 2;
        Join(upper[middle], $"D{middle - 1}");
        Join(upper[middle], $"D{middle + 1}");
    }

    /// <summary>
    /// A mast over each end of the deck, back to its anchorage; the deck a truss of a third of the masts' depth, hung from them.
    /// </summary>
    public void Stayed(TrussForm form)
    {
        var (left, right) = (Place(0, road + form.Depth), Place(length, road + form.Depth));
        Join("D0", left);
        Join(left, "A1");
        Join($"D{panels}", right);
        Join(right, "A2");
        var depth = Math.Min(form.Rise, form.Depth / 2);
        var lower = Enumerable.Range(1, panels - 1).ToDictionary(i => i, i => Place(i * places.Panel, road - depth));
        Chain([.. lower.Values]);
        for (var i = 1; i < panels; i++)
        {
            Join($"D{i}", lower[i]);
            if (2 * i < panels)
            {
                Join(left, $"D{i}");
                Join(lower[i], $"D{i - 1}");
            }
            else
            {
                Join(lower[i], $"D{i + 1}");
                if (2 * i > panels)
                    Join(right, $"D{i}");
                else
                    Join(lower[i], $"D{i - 1}");
            }
        }
        if (panels % 2 != 0)
            Join(lower[panels / 2], $"D{panels / 2 + 1}");
    }

    private double Height(TrussForm form, int i)
    {
        var part = 4.0 * i * (panels - i) / ((double)panels * panels);
        if (form.Kind == FormKind.Bowstring)
            return form.Depth * part;
        if (form.Kind != FormKind.Parker)
            return form.Depth;
        var first = 4.0 * (panels - 1) / ((double)panels * panels);
        return form.Depth - form.Rise * (1 - part) / (1 - first);
    }

    private string Joint(double x, double from, bool isBelow) => Place(x, isBelow ? road - from : road + from);

    /// <summary>The joint at a place, which may be one of the site's.</summary>
    private string Place(double x, double z)
    {
        Point at = new(Math.Round(x, 6), Math.Round(z, 6));
        if (places.Joints.FirstOrDefault(j => Point.Distance(j.At, at) < SitePlaces.Same) is { } given)
            return given.Id;
        Joints.Add(
            new()
            {
                Id = $"J{Joints.Count + 1}",
                X = at.X,
                Z = at.Y,
            }
        );
        return Joints[^1].Id;
    }

    private void Chain(IReadOnlyList<string> joints)
    {
        for (var i = 1; i < joints.Count; i++)
            Join(joints[i - 1], joints[i]);
    }

    private void Join(string from, string to)
    {
        if (from != to && !Bars.Contains((from, to)) && !Bars.Contains((to, from)))
            Bars.Add((from, to));
    }
}
