using Kalypto.Core.Deciding;

namespace Kalypto.Core.Checking;

/// <summary>A change to one layer that settles a finding.</summary>
/// <param name="Label">What it does, for a button.</param>
/// <param name="ShipName">The ship name to give, or null.</param>
/// <param name="Decision">The decision to take, or null.</param>
/// <param name="Tags">Words for the tag line, or null.</param>
public sealed record Fix(string Label, string? ShipName = null, Decision? Decision = null, string? Tags = null);
