namespace Kalypto.Store;

/// <summary>A job that was taken off the queue for a while.</summary>
/// <param name="Job">The job.</param>
/// <param name="Attempts">The how manyeth attempt this is, from 1.</param>
public sealed record TakenJob(DrawingJob Job, int Attempts)
{
    /// <summary>How urgent it is, the smallest first.</summary>
    public int Priority { get; init; }

    /// <summary>The project that it is of; 0 when it is not there any more.</summary>
    public int Project { get; init; }

    /// <summary>The most attempts at one job.</summary>
    public const int MostAttempts = 3;

    /// <summary>True when it was taken so often without a result that it must have stopped whoever took it.</summary>
    public bool IsGivenUp => Attempts > MostAttempts;

    /// <summary>True when nothing more is tried after this attempt.</summary>
    public bool IsLast => Attempts >= MostAttempts;
}
