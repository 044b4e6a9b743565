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

    /// <summary>The name of a picture on a platform: a typed name as it is, any other one made acceptable; empty when nothing is left of it.</summary>
    public static string NameOf(this IPlatform platform, Picture picture)
    {
        var name = platform.Join(platform.WordsOf(picture));
        return name.Length == 0 || picture.NameIsTyped ? name : platform.Accepted(name);
    }
}
