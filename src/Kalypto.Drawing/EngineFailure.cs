namespace Kalypto.Drawing;

/// <summary>Why a worker did not answer. Unlike what it refuses, that may be no property of the drawing: another attempt may go well.</summary>
/// <param name="Sentence">Said to people.</param>
/// <param name="IsTime">True when it ran out of time, false when it died.</param>
internal sealed record EngineFailure(string Sentence, bool IsTime)
{
    /// <summary>True when somebody else killed the worker (SIGKILL) before it answered anything: that says nothing of the drawing.</summary>
    public bool IsKilled { get; init; }
}
