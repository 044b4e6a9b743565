using Kalypto.Core.Tagging;

namespace Kalypto.Core.Pages;

/// <summary>A group of the drawing around parts of a page.</summary>
/// <param name="Layer">Its ordinal.</param>
/// <param name="Name">Its name, where somebody gave it one; empty where a program did.</param>
/// <param name="Said">What a tag line says of it.</param>
public sealed record PageGroup(int Layer, string Name, Tags Said);
