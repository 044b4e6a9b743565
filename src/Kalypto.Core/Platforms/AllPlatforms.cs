namespace Kalypto.Core.Platforms;

/// <summary>The platforms that Kalypto packs for.</summary>
public static class AllPlatforms
{
    /// <summary>All of them, in the order in which they are shown. A new platform is one file and one line here.</summary>
    public static IReadOnlyList<IPlatform> List { get; } = [new Web(), new Apple(), new Android()];
}
