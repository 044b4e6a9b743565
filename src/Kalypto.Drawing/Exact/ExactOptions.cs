namespace Kalypto.Drawing.Exact;

/// <summary>How the exact engine is run.</summary>
public sealed record ExactOptions
{
    /// <summary>The browser that draws: Chromium from the system's packages.</summary>
    public string Browser { get; init; } = "/usr/bin/chromium";

    /// <summary>The folder of the project's fonts.</summary>
    public required string Fonts { get; init; }

    /// <summary>How long one drawing may take of the processors.</summary>
    public TimeSpan TimeLimit { get; init; } = TimeSpan.FromSeconds(20);

    /// <summary>The most bytes of memory of the browser, all of its processes together.</summary>
    public long Memory { get; init; } = 1_500_000_000;

    /// <summary>After how long without work the browser is ended.</summary>
    public TimeSpan Idle { get; init; } = TimeSpan.FromSeconds(60);

    /// <summary>How long a browser that did not start is taken to be none: a machine that is busy now may start it later.</summary>
    public TimeSpan UntilAgain { get; init; } = TimeSpan.FromMinutes(1);
}
