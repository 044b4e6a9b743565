namespace Kalypto.Application.BringingIn;

/// <summary>The folders that are watched for saved drawings, absolute; one folder in each of them is one project.</summary>
public sealed record InboxOptions(IReadOnlyList<string> Folders)
{
    /// <summary>None.</summary>
    public static InboxOptions None { get; } = new([]);
}
