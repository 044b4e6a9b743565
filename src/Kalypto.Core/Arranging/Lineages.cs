using System.Collections.Immutable;
using System.Runtime.CompilerServices;

namespace Kalypto.Core.Arranging;

/// <summary>The numbers by which the layers of one draft stay the same ones through all drafts of their design.</summary>
/// <param name="Count">How many layers the file has.</param>
/// <param name="Numbers">The lineage of each by ordinal; empty for a first draft, where each is its ordinal.</param>
public sealed record Lineages(int Count, ImmutableArray<int> Numbers)
{
    /// <summary>The lineage of the first layer that is not in the file: combinations and frames are the same in all drafts.</summary>
    public const int Made = 1 << 30;

    private static readonly ConditionalWeakTable<Lineages, Dictionary<int, int>> Known = [];

    /// <summary>Those of a first draft.</summary>
    public static Lineages First(int count) => new(count, []);

    /// <summary>The lineage of a layer.</summary>
    public int Of(int ordinal) => ordinal >= Count ? Made + ordinal - Count : Numbers.IsEmpty ? ordinal : Numbers[ordinal];

    /// <summary>The layer of a lineage; null when it is not in this draft.</summary>
    public int? OrdinalOf(int lineage)
    {
        if (lineage >= Made)
        {
            return Count + lineage - Made;
        }
        if (Numbers.IsEmpty)
        {
            return lineage < Count ? lineage : null;
        }
        return Known.GetValue(this, all => all.Numbers.Index().ToDictionary(n => n.Item, n => n.Index)).TryGetValue(lineage, out var ordinal) ? ordinal : null;
    }

    /// <inheritdoc/>
    public bool Equals(Lineages? other) => other is not null && Count == other.Count && Numbers.AsSpan().SequenceEqual(other.Numbers.AsSpan());

    /// <inheritdoc/>
    public override int GetHashCode() => HashCode.Combine(Count, Numbers.Length);
}
