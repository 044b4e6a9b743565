using Kalypto.Core.Designs;

namespace Kalypto.Core.Checking;

/// <summary>One finding that somebody said is as it should be.</summary>
/// <param name="Check">The id of the check.</param>
/// <param name="Layer">The layer that it is about.</param>
/// <param name="About">What of the layer, where a check finds several things of one; empty where it does not.</param>
/// <param name="Reason">Why it is as it should be.</param>
public sealed record Suppression(string Check, LayerRef Layer, string About, string Reason)
{
    /// <summary>True for the finding meant.</summary>
    public bool IsOf(Finding finding) => finding.Check == Check && finding.Layer == Layer && finding.About == About;
}
