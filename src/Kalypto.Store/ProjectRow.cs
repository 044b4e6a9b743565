namespace Kalypto.Store;

/// <summary>A project.</summary>
/// <param name="Id">Its number.</param>
/// <param name="Name">Its name.</param>
/// <param name="Platforms">The ids of the platforms packed for.</param>
public sealed record ProjectRow(int Id, string Name, IReadOnlyList<string> Platforms);
