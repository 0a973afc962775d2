using Pravik.Core.Units;

namespace Pravik.Core.Quantities;

/// <summary>
/// A line of the bill: key by which its rate is kept, group, words, amount in SI units with its kind, and the cost where there is a
/// rate.
/// </summary>
public sealed record BillItem(string Key, string Group, string Words, double Amount, QuantityKind Kind, double? Cost);
