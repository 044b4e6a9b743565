namespace Kalypto.Store;

/// <summary>Something that a process on this database told all of them, this one among them.</summary>
public abstract record Signal
{
    private Signal()
    {
    }

    /// <summary>A project was changed.</summary>
    /// <param name="Project">The project.</param>
    /// <param name="Page">The page that made the change and knows of it; empty for none.</param>
    public sealed record Edited(int Project, string Page) : Signal;

    /// <summary>Something was drawn, or cannot be.</summary>
    /// <param name="Key">Its key.</param>
    /// <param name="By">The process that drew it.</param>
    /// <param name="IsQuick">True for a quick look for pages, which changes nothing else that they show.</param>
    public sealed record Drawn(string Key, string By, bool IsQuick) : Signal;

    /// <summary>A screen was drawn by both engines.</summary>
    /// <param name="Key">Its key.</param>
    /// <param name="By">The process that drew it.</param>
    public sealed record Proved(string Key, string By) : Signal;

    /// <summary>Something waits to be drawn.</summary>
    /// <param name="By">The process that queued it.</param>
    public sealed record Queued(string By) : Signal;

    /// <summary>A build went on, ended, or is to end.</summary>
    /// <param name="Build">Its number.</param>
    public sealed record Built(int Build) : Signal;

    /// <summary>What a place that follows waits for is another.</summary>
    /// <param name="Project">Its project.</param>
    public sealed record Followed(int Project) : Signal;

    /// <summary>The connection was away: anything may have happened meanwhile.</summary>
    public sealed record Missed : Signal;
}
