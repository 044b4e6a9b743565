namespace Kalypto.Core.Fonts;

/// <summary>A weight of a variable font that texts can ask for by a name of its own.</summary>
/// <param name="Name">Family and style, such as “Fira Sans SemiBold”.</param>
/// <param name="Style">The style alone.</param>
/// <param name="Weight">From 1 to 1000.</param>
public sealed record NamedWeight(string Name, string Style, int Weight);
