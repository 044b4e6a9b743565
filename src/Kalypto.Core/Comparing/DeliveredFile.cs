namespace Kalypto.Core.Comparing;

/// <summary>A file of a delivery.</summary>
/// <param name="Identity">What makes it the same file in any other delivery.</param>
/// <param name="Path">Where it lies, with slashes.</param>
/// <param name="Sha256">Its content.</param>
/// <param name="Bytes">Its weight.</param>
public sealed record DeliveredFile(string Identity, string Path, string Sha256, long Bytes)
{
    /// <summary>The id of its platform; empty for a file of the pack as a whole.</summary>
    public string Platform { get; init; } = "";

    /// <summary>The kind of its picture; empty for a file that goes with the pictures.</summary>
    public string Kind { get; init; } = "";

    /// <summary>What its layer is called; empty for a file that goes with the pictures.</summary>
    public string Layer { get; init; } = "";

    /// <summary>The screen that it is on; empty for none.</summary>
    public string Screen { get; init; } = "";

    /// <summary>Width in px; 0 for a file that is no picture.</summary>
    public int Width { get; init; }

    /// <summary>Height in px; 0 for a file that is no picture.</summary>
    public int Height { get; init; }

    /// <summary>The folder, without a slash at its end.</summary>
    public string Folder => Path.LastIndexOf('/') is > 0 and var slash ? Path[..slash] : "";

    /// <summary>The name without the folder.</summary>
    public string Name => Path[(Path.LastIndexOf('/') + 1)..];
}
