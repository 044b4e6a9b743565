using Kalypto.Core.Naming;
using Kalypto.Core.Packing;
using Kalypto.Core.Tagging;

namespace Kalypto.Core.Platforms;

/// <summary>What all platforms share.</summary>
public static class PlatformNames
{
    /// <summary>The longest file name, without scale and ending.</summary>
    public const int Longest = 60;

    /// <summary>The words of a name, with those that tell its form where the platform tells it by names.</summary>
    public static IReadOnlyList<string> WordsWithTwin(this IPlatform platform, Picture picture, IReadOnlyList<string> words) =>
        platform.NamesTwins && picture.MakingFor(platform.Id).Twin is { } twin ? [.. words, .. twin.Words] : words;

    /// <summary>What stands behind a place that a picture shares with the one that it is a form of.</summary>
    public static string TwinMark(this Making making) => making.Twin is { } twin ? $" ({twin})" : "";

    /// <summary>The name of a picture on a platform, made acceptable where the platform does not take it as it is; empty when nothing is left of it.</summary>
    public static string NameOf(this IPlatform platform, Picture picture) => platform.NameAsked(picture) is { Length: > 0 } name ? platform.Accepted(name) : "";

    /// <summary>The name that a picture would have there if the platform took every name.</summary>
    public static string NameAsked(this IPlatform platform, Picture picture) => platform.Join(platform.WordsOf(picture));

    /// <summary>A name as near as possible to this one that all of the platforms take, its words joined by dashes.</summary>
    public static string TakenByAll(this IEnumerable<IPlatform> platforms, string name)
    {
        var words = NameWords.Split(name);
        foreach (var platform in platforms.Where(p => words.Count > 0 && p.Refusal(p.Join(words)) is not null))
        {
            words = NameWords.Split(platform.Accepted(platform.Join(words)));
        }
        return string.Join('-', words);
    }
}
