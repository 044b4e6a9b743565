using Kalypto.Core.Fonts;

namespace Kalypto.Core.Pages;

/// <summary>A font that a page brings along.</summary>
/// <param name="Family">The family as the words ask for it.</param>
/// <param name="Font">The font.</param>
/// <param name="Address">Where it lies, from the page.</param>
public sealed record PageFont(string Family, Font Font, string Address);
