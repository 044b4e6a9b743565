namespace Kalypto.Store;

/// <summary>Where a project stands.</summary>
public enum Shelf
{
    /// <summary>It is worked on.</summary>
    Current,
    /// <summary>It was put away.</summary>
    Archived,
    /// <summary>It was deleted and is kept for a while.</summary>
    Deleted,
}
