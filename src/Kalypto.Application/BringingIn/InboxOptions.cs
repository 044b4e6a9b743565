namespace Kalypto.Application.BringingIn;

/// <summary>The folders that are watched for saved drawings; one folder in each of them belongs to one project.</summary>
/// <param name="Folders">The folders that the operator allowed, absolute.</param>
public sealed record InboxOptions(IReadOnlyList<string> Folders)
{
    /// <summary>None.</summary>
    public static InboxOptions None { get; } = new([]);

    /// <summary>
    /// True where everybody may do all: a folder that belongs to no project yet goes to the one of its name, which is created when
    /// there is none. With accounts a name proves nothing, and only folders that were made on the page of a project are watched.
    /// </summary>
    public bool ByName { get; init; } = true;
}
