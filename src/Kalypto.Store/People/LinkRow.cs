namespace Kalypto.Store.People;

/// <summary>A link that lets in whoever has it.</summary>
/// <param name="Id">The number.</param>
/// <param name="Project">The project that it leads to.</param>
/// <param name="Delivery">The number of the delivery that it is for; null for always the newest.</param>
/// <param name="Role">What it lets them do: guest or developer.</param>
/// <param name="Label">Who it is for, in words.</param>
public sealed record LinkRow(int Id, int Project, int? Delivery, Role Role, string Label)
{
    /// <summary>The hash of its password; empty for none.</summary>
    public string Password { get; init; } = "";

    /// <summary>Who made it.</summary>
    public string MadeBy { get; init; } = "";

    /// <summary>When it was made.</summary>
    public DateTime MadeAt { get; init; }

    /// <summary>Until when it lets in; null for always.</summary>
    public DateTime? ExpiresAt { get; init; }

    /// <summary>Since when it lets nobody in any more; null when it does.</summary>
    public DateTime? RevokedAt { get; init; }

    /// <summary>When somebody last came by it; null for never.</summary>
    public DateTime? UsedAt { get; init; }
}
