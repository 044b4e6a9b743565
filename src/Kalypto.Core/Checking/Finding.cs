using Kalypto.Core.Designs;

namespace Kalypto.Core.Checking;

/// <summary>Something that a check found: what, where and why in one sentence.</summary>
/// <param name="Check">The id of the check.</param>
/// <param name="Severity">How much it matters.</param>
/// <param name="Layer">The layer it is about.</param>
/// <param name="Sentence">What was found and what was expected.</param>
/// <param name="Fix">What would settle it, or null.</param>
public sealed record Finding(string Check, Severity Severity, LayerRef Layer, string Sentence, Fix? Fix = null)
{
    /// <summary>What of the layer it is about, where a check finds several things of one; empty where it does not.</summary>
    public string About { get; init; } = "";
}
