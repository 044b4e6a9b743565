using Kalypto.Core.Fonts;
using Kalypto.Core.Handover;

namespace Kalypto.Application.Handover;

/// <summary>A screen put together for a device from what was delivered.</summary>
/// <param name="Name">The name of the screen.</param>
/// <param name="Width">In pt.</param>
/// <param name="Height">In pt.</param>
/// <param name="Parts">From the bottom to the top.</param>
/// <param name="Fonts">The families that its words ask for, the fonts that draw each, and the families that those were found by.</param>
public sealed record DeviceScreen(string Name, double Width, double Height, IReadOnlyList<DevicePart> Parts, IReadOnlyList<(string Family, Font Font, string Drawn)> Fonts);
