using System.Collections.Immutable;
using Pravik.Core.Effects;
using Pravik.Core.Models;

namespace Pravik.Core.LoneMembers;

/// <summary>Reads tables of effects at the places of a member: straight between the places that they have.</summary>
internal sealed class TableReading(EffectTables tables, LonePlaces places, LoneSections sections, EffectLayout layout)
{
    /// <summary>A combination at every place.</summary>
    public EffectRange Of(EffectTable table)
    {
        var values = new double[layout.Count];
        for (var p = 0; p < places.Places.Length; p++)
        {
            var place = places.Places[p];
            void Put(GirderEffect effect, ImmutableArray<double> column) => values[layout.At(p, effect)] = At(column, place);
            Put(GirderEffect.N, table.N);
            Put(GirderEffect.V, table.V);
            Put(GirderEffect.T, table.T);
            Put(GirderEffect.M, table.M);
            Whole(values, p);
            if (!table.Bottom.IsEmpty)
                Put(GirderEffect.Bottom, table.Bottom);
            if (!table.GirderTop.IsEmpty)
                Put(GirderEffect.GirderTop, table.GirderTop);
            if (!table.SlabTop.IsEmpty)
                Put(GirderEffect.SlabTop, table.SlabTop);
        }
        return EffectRange.Of(table.Name, new EffectValues(layout, values)).As(new(table.Name), "Tables");
    }

    /// <summary>Stresses by N and M on the whole section.</summary>
    private void Whole(double[] values, int p)
    {
        var section = sections.MadeAt(places.Places[p]);
        var whole = sections.Whole(section);
        var (axial, moment) = (values[layout.At(p, GirderEffect.N)], values[layout.At(p, GirderEffect.M)]);
        double Stress(double height) => axial / whole.Area + moment * (whole.Centroid - height) / whole.SecondMoment;
        values[layout.At(p, GirderEffect.Bottom)] = Stress(0);
        values[layout.At(p, GirderEffect.GirderTop)] = Stress(section.Depth);
        var ratio = whole.Depth > section.Depth ? sections.Slab.Ecm / sections.Concrete.Ecm : 1;
        values[layout.At(p, GirderEffect.SlabTop)] = ratio * Stress(whole.Depth);
    }

    /// <summary>A column at a place; where a place stands twice, from the side to which it looks.</summary>
    private double At(ImmutableArray<double> column, LonePlace place)
    {
        var at = tables.At;
        if (column.IsEmpty)
            return 0;
        var x = Math.Clamp(place.At, at[0], at[^1]);
        // The piece of the table that ends, or begins, here.
        var next = place.IsBehind ? FirstFrom(x - 1e-9) : FirstFrom(x + 1e-9);
        next = Math.Clamp(next, 1, at.Length - 1);
        var (a, b) = (at[next - 1], at[next]);
        var part = b > a ? Math.Clamp((x - a) / (b - a), 0, 1) : 1;
        return column[next - 1] + part * (column[next] - column[next - 1]);

        int FirstFrom(double from)
        {
            var i = 0;
            while (i < at.Length && at[i] < from)
                i++;
            return i;
        }
    }
}
