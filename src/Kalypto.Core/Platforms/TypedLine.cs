namespace Kalypto.Core.Platforms;

/// <summary>What a developer types to show a picture.</summary>
/// <param name="Id">A short name of the language for data: <c>compose</c>.</param>
/// <param name="Name">Its name for people.</param>
/// <param name="Code">The lines, with <c>\n</c>, none at the end.</param>
public sealed record TypedLine(string Id, string Name, string Code);
