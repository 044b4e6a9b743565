using Kalypto.Core.Packing;

namespace Kalypto.Core.Platforms;

/// <summary>What all platforms share.</summary>
public static class PlatformNames
{
    /// <summary>The longest file name, without scale and ending.</summary>
    public const int Longest = 60;

    /// <summary>The name of a picture on a platform: a typed name as it is, any other one made acceptable; empty when nothing is left of it.</summary>
    public static string NameOf(this IPlatform platform, Picture picture)
    {
        var name = platform.Join(platform.WordsOf(picture));
        return name.Length == 0 || picture.NameIsTyped ? name : platform.Accepted(name);
    }
}
