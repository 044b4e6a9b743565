using System.Collections.Immutable;

namespace Kalypto.Core.Arranging;

/// <summary>A way to split one board into screens.</summary>
/// <param name="By">What it goes by: backgrounds, groups or gaps.</param>
/// <param name="Why">The same for people: "3 backgrounds of phone size".</param>
/// <param name="Screens">The screens.</param>
public sealed record ScreenProposal(string By, string Why, ImmutableArray<NewScreen> Screens);
