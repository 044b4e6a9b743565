namespace Kalypto.Drawing.Workers;

/// <summary>How drawing is spread over processes.</summary>
public sealed record WorkerOptions
{
    /// <summary>The worker's program.</summary>
    public required string Program { get; init; }

    /// <summary>The folder of the project's fonts.</summary>
    public required string Fonts { get; init; }

    /// <summary>How many processes draw at once.</summary>
    public int Count { get; init; } = Math.Max(1, Environment.ProcessorCount);

    /// <summary>How long one drawing may take.</summary>
    public TimeSpan TimeLimit { get; init; } = TimeSpan.FromSeconds(30);

    /// <summary>The most bytes of memory of one process.</summary>
    public long Memory { get; init; } = 1_500_000_000;
}
