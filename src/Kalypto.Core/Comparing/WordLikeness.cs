using Kalypto.Core.Naming;

namespace Kalypto.Core.Comparing;

/// <summary>How alike two names are by their words.</summary>
internal static class WordLikeness
{
    /// <summary>From 0 for no word in common to 1 for the same words.</summary>
    public static double Of(string a, string b)
    {
        var (one, two) = (NameWords.Split(a).ToHashSet(), NameWords.Split(b).ToHashSet());
        return one.Count + two.Count == 0 ? 0 : 2.0 * one.Intersect(two).Count() / (one.Count + two.Count);
    }
}
