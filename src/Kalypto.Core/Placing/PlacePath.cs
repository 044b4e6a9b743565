namespace Kalypto.Core.Placing;

/// <summary>Paths inside a place: relative, plain, and never out of it.</summary>
public static class PlacePath
{
    private const int Longest = 400;

    /// <summary>The folder in a place where Kalypto stages what it is about to deliver.</summary>
    public const string Pending = ".kalypto-pending";

    /// <summary>True for a path that leads to a file inside the place, and to nothing that Git or Kalypto keeps there for itself.</summary>
    public static bool IsSafe(string? path) => path is { Length: > 0 and <= Longest } && !path.Contains('\\', StringComparison.Ordinal) && !path.Any(char.IsControl)
        && path.Split('/').All(part => part.Length > 0 && part is not ("." or "..") && !part.Contains(':', StringComparison.Ordinal) && !part.Equals(".git", StringComparison.OrdinalIgnoreCase) && !part.Equals(Pending, StringComparison.OrdinalIgnoreCase) && !part.Equals(PlaceLock.FileName, StringComparison.OrdinalIgnoreCase));
}
