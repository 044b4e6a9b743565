namespace Kalypto.Core.Comparing;

/// <summary>What became of a file from one delivery to another.</summary>
/// <param name="Old">The file in the earlier one; null for a new one.</param>
/// <param name="New">The file in the later one; null for one that is gone.</param>
public sealed record FileChange(DeliveredFile? Old, DeliveredFile? New)
{
    /// <summary>True for a file that only the later one has.</summary>
    public bool IsNew => Old is null;

    /// <summary>True for a file that only the earlier one has.</summary>
    public bool IsGone => New is null;

    /// <summary>True when its content is another.</summary>
    public bool IsChanged => Old is { } old && New is { } now && old.Sha256 != now.Sha256;

    /// <summary>True when it is called otherwise.</summary>
    public bool IsRenamed => Old is { } old && New is { } now && old.Name != now.Name;

    /// <summary>True when it lies in another folder, other than by its own name in it.</summary>
    public bool IsMoved => Old is { } old && New is { } now && old.Folder != now.Folder && old.Folder.Replace(Stem(old), Stem(now), StringComparison.Ordinal) != now.Folder;

    /// <summary>True when nothing is different.</summary>
    public bool IsSame => Old is { } old && New is { } now && old.Sha256 == now.Sha256 && old.Path == now.Path;

    /// <summary>How many bytes heavier it is; negative when it is lighter.</summary>
    public long Heavier => (New?.Bytes ?? 0) - (Old?.Bytes ?? 0);

    /// <summary>The file as it is, or was.</summary>
    public DeliveredFile File => New ?? Old!;

    /// <summary>The name of a file before its scale and its ending.</summary>
    internal static string Stem(DeliveredFile file) => file.Name.IndexOfAny(['.', '@']) is > 0 and var end ? file.Name[..end] : file.Name;
}
