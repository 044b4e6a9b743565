namespace Kalypto.Store;

/// <summary>A project.</summary>
/// <param name="Id">Its number.</param>
/// <param name="Name">Its name.</param>
/// <param name="Platforms">The ids of the platforms packed for.</param>
/// <param name="Recipes">What it says of how its pictures are made, as JSON; empty for what comes with Kalypto.</param>
public sealed record ProjectRow(int Id, string Name, IReadOnlyList<string> Platforms, string Recipes = "")
{
    /// <summary>What it is, in words.</summary>
    public string Description { get; init; } = "";

    /// <summary>What it says of checks, as JSON; empty for what comes with Kalypto.</summary>
    public string Checks { get; init; } = "";

    /// <summary>The fonts that it has of its own, as JSON; empty for none.</summary>
    public string Fonts { get; init; } = "";

    /// <summary>What it says of its tokens, as JSON; empty for nothing.</summary>
    public string Tokens { get; init; } = "";

    /// <summary>Raised by every change.</summary>
    public long Revision { get; init; }

    /// <summary>When it was put away; null for one that is worked on.</summary>
    public DateTime? ArchivedAt { get; init; }
}
