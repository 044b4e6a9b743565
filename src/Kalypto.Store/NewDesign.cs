using Kalypto.Core.Deciding;
using Kalypto.Core.Designs;
using Kalypto.Core.Formats;

namespace Kalypto.Store;

/// <summary>A design to be, with its first draft.</summary>
/// <param name="Name">Its name.</param>
/// <param name="DrawnAt">Drawing units in one pt.</param>
/// <param name="FileName">The name of its file.</param>
/// <param name="File">The bytes of it.</param>
/// <param name="Shapes">The shape box of each layer by ordinal, in drawing units; null for a layer without one.</param>
public sealed record NewDesign(string Name, double DrawnAt, string FileName, byte[] File, IReadOnlyList<Box?> Shapes)
{
    /// <summary>What is done, for the history.</summary>
    public string Label { get; init; } = $"Bring in {Name}";

    /// <summary>What is said of its layers from the start, by ordinal.</summary>
    public IReadOnlyDictionary<int, Mark> Marks { get; init; } = new Dictionary<int, Mark>();

    /// <summary>The share of pixels that a merged picture which came with it shows otherwise; null where none came.</summary>
    public double? Merged { get; init; }

    /// <summary>The key of the fonts of the project that its layers were measured with.</summary>
    public string MeasuredWith { get; init; } = "";

    /// <summary>Where it was taken from; null for a file that somebody brought.</summary>
    public Taken? Taken { get; init; }

    /// <summary>Credit lines that it brings along; null for those of the project.</summary>
    public CreditLines? Credit { get; init; }
}
