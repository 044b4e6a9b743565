using System.Collections.Immutable;
using Kalypto.Core.Designs;

namespace Kalypto.Core.Deciding;

/// <summary>The layers that show one button in its states.</summary>
/// <param name="Name">The words of the button's name.</param>
/// <param name="Members">The layers, each with its state.</param>
public sealed record StateSet(ImmutableArray<string> Name, ImmutableArray<(Layer Layer, string State)> Members);
