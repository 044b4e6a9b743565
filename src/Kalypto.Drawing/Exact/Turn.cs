namespace Kalypto.Drawing.Exact;

/// <summary>For whom the exact engine is asked, so that it can say who comes first.</summary>
/// <param name="Urgency">How urgent it is, the smallest first; 0 for somebody who waits.</param>
/// <param name="Project">The project; projects that are equally urgent take turns.</param>
/// <param name="Draft">The draft; one that ran out of time comes after all others for a while.</param>
public sealed record Turn(int Urgency, int Project, int Draft)
{
    private static readonly AsyncLocal<Turn?> Ambient = new();

    /// <summary>Somebody who waits, of no project in particular.</summary>
    public static Turn Waiting { get; } = new(0, 0, 0);

    /// <summary>For whom whatever runs here asks; set by whoever takes a job off the queue, and followed by all that the job asks for.</summary>
    public static Turn Current
    {
        get => Ambient.Value ?? Waiting;
        set => Ambient.Value = value;
    }
}
