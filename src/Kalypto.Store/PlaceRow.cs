namespace Kalypto.Store;

/// <summary>A folder that deliveries of a project are put into.</summary>
/// <param name="Id">Its number.</param>
/// <param name="ProjectId">Its project.</param>
/// <param name="Folder">The folder, absolute.</param>
/// <param name="Platform">The platform whose files alone go there; empty for the whole pack.</param>
/// <param name="Delivery">The number of the delivery that lies there; 0 for none.</param>
public sealed record PlaceRow(int Id, int ProjectId, string Folder, string Platform, int Delivery)
{
    /// <summary>True when each change is delivered there by itself.</summary>
    public bool Follows { get; init; }

    /// <summary>The revision of the project that was looked at last.</summary>
    public long Followed { get; init; }

    /// <summary>What tells the pack apart that was delivered last by itself.</summary>
    public string Pack { get; init; } = "";

    /// <summary>What following waits for, in words; empty for nothing.</summary>
    public string WaitsFor { get; init; } = "";

    /// <summary>Moves to other folders that following waits with until somebody agrees, as JSON; empty for none.</summary>
    public string Moves { get; init; } = "";

    /// <summary>The moves that somebody agreed to last, as JSON.</summary>
    public string Agreed { get; init; } = "";
}
