using Kalypto.Core.Rendering;

namespace Kalypto.Drawing.Workers;

/// <summary>A request to a worker; the document follows as the body.</summary>
internal sealed record Request(WorkerTask Task, double Width, double Height, Effort Effort, IReadOnlyList<string> Ids);
