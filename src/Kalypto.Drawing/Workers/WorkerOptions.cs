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

    /// <summary>How long one drawing may take of a processor.</summary>
    public TimeSpan TimeLimit { get; init; } = TimeSpan.FromSeconds(30);

    /// <summary>The same for reading: two at once, for files that people wait for.</summary>
    /// <param name="timeLimit">How long one file may take of a processor.</param>
    public WorkerOptions ForReading(TimeSpan timeLimit) => this with { Count = 2, TimeLimit = timeLimit, Memory = 1_000_000_000 };

    /// <summary>The most bytes of memory of one process.</summary>
    public long Memory { get; init; } = 1_500_000_000;
}
