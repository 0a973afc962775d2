using Pravik.Core.Calculations;
using Pravik.Core.Members;
using Pravik.Core.Units;

namespace Pravik.Core.Checks.Lrfd6;

/// <summary>What a panel of a web resists in shear (AASHTO LRFD 6.10.9.2 and 6.10.9.3).</summary>
internal sealed class WebPanel
{
    private const string Plain = "AASHTO LRFD 6.10.9.2";
    private const string Inside = "AASHTO LRFD 6.10.9.3.2";
    private const string AtEnd = "AASHTO LRFD 6.10.9.3.3";

    /// <summary>Stiffeners farther apart than so many depths of the web do not stiffen it: inside, and at an end (6.10.9.1).</summary>
    private const double FarthestInside = 3;
    private const double FarthestAtEnd = 1.5;
    private readonly MemberSteel steel;
    private readonly double aspect;

    public WebPanel(MemberSteel steel)
    {
        this.steel = steel;
        var plates = steel.Plates;
        aspect = steel.Panel.Length / plates.WebDepth;
        IsStiffened = aspect <= (steel.IsEndPanel ? FarthestAtEnd : FarthestInside);
        Coefficient = IsStiffened ? 5 + 5 / (aspect * aspect) : 5;
        Ratio = RatioOf(plates.WebSlenderness, steel.Steel.E * Coefficient / steel.WebYield);
        Plastic = 0.58 * steel.WebYield * plates.WebArea;
        HasField = IsStiffened && !steel.IsEndPanel;
        Resistance = Plastic * (Ratio + (HasField ? Field : 0));
    }

    /// <summary>Whether its stiffeners are near enough.</summary>
    public bool IsStiffened { get; }

    /// <summary>k.</summary>
    public double Coefficient { get; }

    /// <summary>C: buckling resistance over that of yielding.</summary>
    public double Ratio { get; }

    /// <summary>V_p = 0.58·F_yw·D·t_w (N).</summary>
    public double Plastic { get; }

    /// <summary>V_cr = C·V_p (N).</summary>
    public double Buckling => Ratio * Plastic;

    /// <summary>V_n (N).</summary>
    public double Resistance { get; }

    /// <summary>Whether a tension field forms.</summary>
    public bool HasField { get; }

    /// <summary>Twice the web over both flanges: above 2.5 the field is smaller (6.10.9.3.2-1).</summary>
    private double WebToFlanges => 2 * steel.Plates.WebArea / (steel.Plates.Top.Area + steel.Plates.Bottom.Area);

    private double Field
    {
        get
        {
            var root = Math.Sqrt(1 + aspect * aspect);
            return 0.87 * (1 - Ratio) / (WebToFlanges <= 2.5 ? root : root + aspect);
        }
    }

    /// <summary>C by 6.10.9.3.2-4 to -6, with x = E·k/F_yw.</summary>
    private static double RatioOf(double slenderness, double x) =>
        slenderness <= 1.12 * Math.Sqrt(x) ? 1
        : slenderness <= 1.40 * Math.Sqrt(x) ? 1.12 / slenderness * Math.Sqrt(x)
        : 1.57 / (slenderness * slenderness) * x;

    /// <summary>Writes V_n.</summary>
    public void Write(Calculation c)
    {
        var clause =
            !IsStiffened ? Plain
            : steel.IsEndPanel ? AtEnd
            : Inside;
        c.Heading("Resistance");
        c.Line("d_o", "between upright stiffeners", steel.Panel.Length, QuantityKind.Length, "AASHTO LRFD 6.10.9.1");
        c.Line("D", "depth of the web", steel.Plates.WebDepth, QuantityKind.Size, clause);
        c.Remark(
            !IsStiffened ? $"Not stiffened: d_o is more than {(steel.IsEndPanel ? "1.5 D at an end" : "3 D")}."
                : steel.IsEndPanel ? "An end panel: no tension field."
                : "A panel inside, with its tension field.",
            "AASHTO LRFD 6.10.9.1"
        );
        c.Ratio("k", IsStiffened ? "5 + 5 / (d_o / D)²" : "5, without stiffeners", Coefficient, 3, clause);
        c.Ratio("D / t_w", "slenderness of the web", steel.Plates.WebSlenderness, 1, clause);
        c.Ratio("C", "1; 1.12 / (D / t_w) √(E k / F_yw); 1.57 / (D / t_w)² E k / F_yw", Ratio, 3, Inside);
        c.Line("V_p", "0.58 F_yw D t_w", Plastic, QuantityKind.Force, clause);
        if (HasField)
        {
            c.Ratio("2 D t_w / Σ b_f t_f", "at most 2.5 for the full field", WebToFlanges, 3, Inside);
            var under = WebToFlanges <= 2.5 ? "√(1 + (d_o / D)²)" : "(√(1 + (d_o / D)²) + d_o / D)";
            c.Line("V_n", $"V_p (C + 0.87 (1 − C) / {under})", Resistance, QuantityKind.Force, Inside);
        }
        else
            c.Line("V_n", "C V_p", Resistance, QuantityKind.Force, clause);
    }
}
