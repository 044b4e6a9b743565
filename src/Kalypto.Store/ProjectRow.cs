namespace Kalypto.Store;

/// <summary>A project.</summary>
/// <param name="Id">Its number.</param>
/// <param name="Name">Its name.</param>
/// <param name="Platforms">The ids of the platforms packed for.</param>
/// <param name="Recipes">What it says of how its pictures are made, as JSON; empty for what comes with Kalypto.</param>
public sealed record ProjectRow(int Id, string Name, IReadOnlyList<string> Platforms, string Recipes = "");
