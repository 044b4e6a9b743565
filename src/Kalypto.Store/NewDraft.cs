using Kalypto.Core.Arranging;
using Kalypto.Core.Designs;

namespace Kalypto.Store;

/// <summary>The next draft of a design, with all that is carried over to it.</summary>
/// <param name="Design">The design.</param>
/// <param name="Follows">The draft that holds until now.</param>
/// <param name="FileName">The name of its file.</param>
/// <param name="File">The bytes of it.</param>
/// <param name="Shapes">The shape box of each layer by ordinal, in drawing units; null for a layer without one.</param>
/// <param name="Lineages">The lineage of each layer by ordinal.</param>
/// <param name="Pairs">How its layers were paired, as JSON.</param>
/// <param name="Label">What is done, for the history.</param>
/// <param name="Arrange">How the design is arranged from now on, out of how it was, both with lineages.</param>
public sealed record NewDraft(
    int Design, int Follows, string FileName, byte[] File, IReadOnlyList<Box?> Shapes, int[] Lineages, string Pairs, string Label, Func<Arrangement, Arrangement> Arrange)
{
    /// <summary>Drawing units in one pt from now on; null for as many as before.</summary>
    public double? DrawnAt { get; init; }

    /// <summary>The names that files of layers keep, by lineage, where nobody typed one.</summary>
    public IReadOnlyDictionary<int, string> Names { get; init; } = new Dictionary<int, string>();

    /// <summary>The names of layers that had a file in common with others until now, by lineage.</summary>
    public IReadOnlyDictionary<int, string> OwnNames { get; init; } = new Dictionary<int, string>();

    /// <summary>The lineages that the drawing itself decides to ship, where nobody decided otherwise.</summary>
    public IReadOnlyCollection<int> Ships { get; init; } = [];

    /// <summary>The share of pixels that a merged picture which came with it shows otherwise; null where none came.</summary>
    public double? Merged { get; init; }

    /// <summary>The key of the fonts of the project that its layers were measured with.</summary>
    public string MeasuredWith { get; init; } = "";

    /// <summary>Where it was taken from; null for a file that somebody brought.</summary>
    public Taken? Taken { get; init; }
}
