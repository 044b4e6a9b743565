namespace Kalypto.Application.Desk;

/// <summary>How much this process draws and keeps in memory.</summary>
public sealed record DrawingOptions
{
    /// <summary>How many workers take from the queue; 0 for a process that leaves drawing to others.</summary>
    public int Drawers { get; init; } = Math.Max(1, Environment.ProcessorCount);

    /// <summary>The most bytes of read drawings to keep in memory, roughly; the project at hand is kept whatever it takes.</summary>
    public long DrawingsInMemory { get; init; } = 300_000_000;
}
