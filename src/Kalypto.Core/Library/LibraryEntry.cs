using System.Collections.Immutable;

namespace Kalypto.Core.Library;

/// <summary>One drawing of the library, with every place that it was shipped for.</summary>
/// <param name="Places">Where it is used, the newest delivery first.</param>
/// <param name="Distance">How far it is from what it is to look like, 0 to 128; 0 when that was not asked.</param>
public sealed record LibraryEntry(ImmutableArray<ShippedLayer> Places, int Distance)
{
    /// <summary>The place that stands for it.</summary>
    public ShippedLayer Shown => Places[0];

    /// <summary>The first delivery that had it.</summary>
    public ShippedIn? Since => Places.Select(p => p.Since).MinBy(s => s?.At);
}
