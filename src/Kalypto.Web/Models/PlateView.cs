using Kalypto.Core.Handover;

namespace Kalypto.Web.Models;

/// <summary>The numbers of a plate beside its picture, for one width of the page and one choice of what is shown.</summary>
/// <param name="Show">What is shown: all, picture, code, words, new.</param>
/// <param name="Pins">Where the numbers stand.</param>
public sealed record PlateView(string Show, IReadOnlyList<PinLayout.Placed> Pins);
