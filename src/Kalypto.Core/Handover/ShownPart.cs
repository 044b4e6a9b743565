using Kalypto.Core.Designs;

namespace Kalypto.Core.Handover;

/// <summary>A part of a screen that developers get: a shipped picture, or a layer that is built in code.</summary>
/// <param name="Layer">The layer.</param>
/// <param name="Picture">The picture that it ships as, the same for all that share one; null for one in code.</param>
/// <param name="Box">What of it lies on the screen, in pt of the screen.</param>
public sealed record ShownPart(Layer Layer, LayerRef? Picture, Box Box)
{
    /// <summary>True when the drawing hides it: a state of a button, or what comes out by itself.</summary>
    public bool IsHidden => Layer.HiddenHere;

    /// <summary>What it is.</summary>
    public PinKind Kind => Picture is not null ? PinKind.Picture : Layer.Content == LayerContent.Text ? PinKind.Words : PinKind.Box;
}
