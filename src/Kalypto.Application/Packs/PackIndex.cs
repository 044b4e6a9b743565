using Kalypto.Core.Checking;
using Kalypto.Core.Designs;
using Kalypto.Core.Packing;
using Kalypto.Core.Planning;

namespace Kalypto.Application.Packs;

/// <summary>A pack by the layers that it is of.</summary>
public sealed class PackIndex
{
    /// <summary>Sorts a pack by layers.</summary>
    public PackIndex(Pack pack)
    {
        var pictures = new Dictionary<LayerRef, Picture>();
        foreach (var picture in pack.Pictures)
        {
            foreach (var place in picture.Places)
            {
                pictures.TryAdd(place, picture);
            }
        }
        Pictures = pictures;
        Files = pack.Files.ToLookup(f => f.Picture.PartOf ?? f.Picture.Ref);
        Findings = pack.Findings.ToLookup(f => f.Layer);
    }

    /// <summary>The picture that stands at a layer.</summary>
    public IReadOnlyDictionary<LayerRef, Picture> Pictures { get; }

    /// <summary>The files of a layer; what comes of a group in parts counts for the group.</summary>
    public ILookup<LayerRef, PlannedFile> Files { get; }

    /// <summary>What the checks found at a layer.</summary>
    public ILookup<LayerRef, Finding> Findings { get; }
}
