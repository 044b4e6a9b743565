namespace Kalypto.Core.Reading.Normalising;

/// <summary>Rewrites one thing that the renderer does not know into something it does, with the same looks.</summary>
internal interface INormalisation
{
    /// <summary>Rewrites one element in place. Parents come before their children.</summary>
    /// <param name="element">The element, its styles already worked out.</param>
    /// <param name="note">Takes a sentence on what cannot be kept, for the layer that the element belongs to.</param>
    void Apply(ElementBuilder element, Action<string> note);
}
