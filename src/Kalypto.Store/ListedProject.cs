namespace Kalypto.Store;

/// <summary>A project on the first page.</summary>
/// <param name="Id">Its number.</param>
/// <param name="Name">Its name.</param>
/// <param name="Description">What it is, in words.</param>
/// <param name="ArchivedAt">When it was put away, or null.</param>
/// <param name="DeletedAt">When it was deleted, or null.</param>
/// <param name="TouchedAt">When it was last changed.</param>
/// <param name="TouchedBy">Who changed it, as they call themselves; empty when they did not say.</param>
/// <param name="Counts">What was counted in it, as JSON; null when nothing was yet.</param>
/// <param name="IsCounted">True when nothing changed since it was counted.</param>
public sealed record ListedProject(
    int Id, string Name, string Description, DateTime? ArchivedAt, DateTime? DeletedAt, DateTime TouchedAt, string TouchedBy, string? Counts, bool IsCounted)
{
    /// <summary>What whoever asked may do in it.</summary>
    public Role Role { get; init; } = Role.Owner;
}
