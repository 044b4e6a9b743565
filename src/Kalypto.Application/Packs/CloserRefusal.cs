namespace Kalypto.Application.Packs;

/// <summary>Why a file cannot be looked at as it would be otherwise.</summary>
public enum CloserRefusal
{
    /// <summary>The file is no longer planned.</summary>
    NotInThePack,
    /// <summary>What was typed is no format with a quality.</summary>
    NoFormat,
    /// <summary>It was not drawn yet, so that its crop is a guess.</summary>
    CropNotKnown,
    /// <summary>It is not ready after a while, and goes on in the background.</summary>
    TakesLong,
}
