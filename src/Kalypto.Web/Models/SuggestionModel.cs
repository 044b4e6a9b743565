using Kalypto.Core.Suggesting;

namespace Kalypto.Web.Models;

/// <summary>What an open layer probably is, on its row.</summary>
public sealed record SuggestionModel(string Kind, int Percent, string Why, IReadOnlyList<int> Together)
{
    /// <summary>Makes it out of a suggestion of the core.</summary>
    public static SuggestionModel Of(Suggestion s) => new(s.Kind, (int)Math.Round(100 * s.Strength), s.Why, [.. s.Together.Select(l => l.Ordinal)]);
}
