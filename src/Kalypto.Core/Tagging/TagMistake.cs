namespace Kalypto.Core.Tagging;

/// <summary>A word that is not understood.</summary>
/// <param name="Word">The word as typed.</param>
/// <param name="Nearest">The nearest word that would be, or null when none is near.</param>
public sealed record TagMistake(string Word, string? Nearest)
{
    /// <summary>What to tell the person who typed it.</summary>
    public string Sentence => $"“{Word}” is not a tag." + (Nearest is null ? "" : $" Did you mean “{Nearest}”?");
}
