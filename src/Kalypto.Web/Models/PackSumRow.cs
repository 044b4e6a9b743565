using Kalypto.Core.Packing;
using Kalypto.Web.Wording;

namespace Kalypto.Web.Models;

/// <summary>A sum of files.</summary>
/// <param name="Name">What they have in common.</param>
/// <param name="Files">How many there are.</param>
/// <param name="Weight">Their weight for people.</param>
/// <param name="Share">Their share of the weight of all shown, from 0 to 1.</param>
public sealed record PackSumRow(string Name, int Files, string Weight, double Share)
{
    /// <summary>Makes it out of a sum of the core.</summary>
    /// <param name="sum">The sum.</param>
    /// <param name="all">The bytes of all shown.</param>
    public static PackSumRow Of(PackSum sum, long all) => new(sum.Name, sum.Files, Words.Weight((sum.Bytes, sum.IsEstimate)), all == 0 ? 0 : (double)sum.Bytes / all);
}
