using System.Text.Json;
using System.Text.Json.Serialization;
using Pravik.Core.Runs;

namespace Pravik.Exchange;

/// <summary>Results as JSON, in SI units: stored under their input hash and written by the command line.</summary>
public static class ResultsJson
{
    private static readonly JsonSerializerOptions Options = new(JsonSerializerDefaults.Web)
    {
        IgnoreReadOnlyProperties = true,
        Converters = { new JsonStringEnumConverter(JsonNamingPolicy.CamelCase) },
    };

    public static string Write(BridgeResults results) => JsonSerializer.Serialize(results, Options);

    /// <summary>Null where the text is not results of this version.</summary>
    public static BridgeResults? Read(string text)
    {
        try
        {
            return JsonSerializer.Deserialize<BridgeResults>(text, Options);
        }
        catch (JsonException)
        {
            return null;
        }
    }
}
