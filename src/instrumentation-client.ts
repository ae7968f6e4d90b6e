// Next.js runs this before it draws anything: the log is looked for while the page is being put together.
import "@/ui/log/findLog";
