using Kalypto.Core.Designs;

namespace Kalypto.Core.Checking;

/// <summary>Something that a check found: what, where and why in one sentence.</summary>
/// <param name="Check">The name of the check.</param>
/// <param name="Severity">How much it matters.</param>
/// <param name="Layer">The layer it is about.</param>
/// <param name="Sentence">What was found and what was expected.</param>
/// <param name="Fix">What would settle it, or null.</param>
public sealed record Finding(string Check, Severity Severity, LayerRef Layer, string Sentence, Fix? Fix = null);
