using System.Globalization;
using Microsoft.EntityFrameworkCore;
using Pravik.Core.Trusses;
using Pravik.Exchange;

namespace Pravik.Data;

/// <summary>Truss schemes and their revisions.</summary>
public sealed class TrussStore(IDbContextFactory<PravikContext> contexts, StoreWriter writer)
    : DocumentStore<TrussScheme>(contexts, writer, "truss", Formats.Truss, s => (s.Name, Words(s)))
{
    private static string Words(TrussScheme scheme) =>
        string.Create(CultureInfo.InvariantCulture, $"{scheme.Site.Opening:0.###} m, {scheme.Bars.Length} bars");
}
