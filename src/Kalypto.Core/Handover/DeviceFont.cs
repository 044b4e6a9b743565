using Kalypto.Core.Fonts;

namespace Kalypto.Core.Handover;

/// <summary>A font that a device shows words in.</summary>
/// <param name="Family">The family as the words ask for it.</param>
/// <param name="Font">The font.</param>
/// <param name="Address">Where it is fetched.</param>
public sealed record DeviceFont(string Family, Font Font, string Address);
